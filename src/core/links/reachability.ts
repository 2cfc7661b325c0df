import type { Shell } from '@/core/shell/model';
import { contentNode, entryNode, itemNode, type LinkGraph, type NodeKey } from './graph';

/** Where every chain of references begins: what is placed, and what belongs to nobody here to judge. */
export function placedNodes(shell: Shell): NodeKey[] {
  const roots: NodeKey[] = [];
  const owned = new Set(shell.contents.flatMap((c) => c.files));
  for (const item of shell.items) {
    const activity = item.kind === 'assignment' || item.kind === 'quiz' || item.kind === 'discussion';
    if (
      item.placed ||
      activity ||
      item.kind === 'announcement' ||
      item.kind === 'tool-link' ||
      item.kind === 'other'
    )
      roots.push(itemNode(item.ref));
  }
  const homes = new Set(shell.homePages.filter((h) => h.inUse !== false).map((h) => h.ref));
  for (const item of shell.items) if (homes.has(item.ref)) roots.push(itemNode(item.ref));
  for (const content of shell.contents)
    if (content.kind === 'other' || content.kind === 'tool-link' || content.intendedUse === 'syllabus')
      roots.push(contentNode(content.id));
  for (const entry of shell.entries) if (!owned.has(entry.path)) roots.push(entryNode(entry.path));
  return roots;
}

/** Every node that some chain of references leads to from the given ones. */
export function reachableFrom(graph: LinkGraph, roots: readonly NodeKey[]): Set<NodeKey> {
  const seen = new Set<NodeKey>(roots);
  const open = [...roots];
  for (let node = open.pop(); node !== undefined; node = open.pop())
    for (const edge of graph.outgoing.get(node) ?? [])
      if (!seen.has(edge.to)) {
        seen.add(edge.to);
        open.push(edge.to);
      }
  return seen;
}
