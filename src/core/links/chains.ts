import type { SubjectType } from '@/core/refs/refs';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { contentNode, itemNode, targetNodes, type Edge, type LinkGraph, type NodeKey } from './graph';

/** One part of a chain of references: what it is, and how it leads on to the next part. */
export interface ChainPart {
  readonly title: string;
  /** Where it stands in the outline, outermost first; empty for what stands in none. */
  readonly path: readonly string[];
  /** Whether students get it where it stands; null for what is no item. */
  readonly isShown: boolean | null;
  /** How it leads to the next part; null for the last one. */
  readonly leads: 'links to' | 'shows' | 'needs' | 'draws on' | null;
}
export type Chain = readonly ChainPart[];

/** Finds the shortest chain from the outline to a thing; null where nothing in the outline leads to it. */
export type ChainTo = (subject: { readonly type: SubjectType; readonly ref: string }) => Chain | null;

/**
 * The chains by which a shell's outline leads to its things. What students get goes before what they don't: a chain
 * from a hidden item is told only where there is no other. The way to a placed item is a link to it from elsewhere.
 */
export function chainsOf(shell: Shell, graph: LinkGraph): ChainTo {
  const outline = outlineOf(shell);
  const placed = shell.items.filter((item) => item.placed);
  const shown = placed.filter((item) => outline.isShown(item));
  const hidden = placed.filter((item) => !outline.isShown(item));
  const cameBy = edgesFromOutline(graph, [shown, hidden]);
  const items = itemsByNode(shell);

  const partOf = (node: NodeKey, leads: ChainPart['leads']): ChainPart => {
    const item = items.get(node);
    if (item) return { title: item.title, path: outline.path(item), isShown: outline.isShown(item), leads };
    return { title: node.slice(node.indexOf(':') + 1), path: [], isShown: null, leads };
  };

  /** The chain that ends with an edge into a thing. */
  const chainBy = (last: Edge, thing: ChainPart): Chain => {
    const parts: ChainPart[] = [thing];
    for (let edge: Edge | undefined = last; edge; edge = cameBy.get(edge.from)) {
      const leads = leadsBy(edge);
      if (leads !== null) parts.unshift(partOf(holderOf(edge.from, cameBy), leads));
    }
    return parts;
  };

  return ({ type, ref }) => {
    if (type === 'file') {
      const last = cameBy.get(`file:${ref}`);
      return last ? chainBy(last, partOf(`file:${ref}`, null)) : null;
    }
    const item = type === 'item' ? items.get(`item:${ref}`) : undefined;
    if (!item) return null;
    const last = linkTo(shell, graph, cameBy, item);
    return last ? chainBy(last, partOf(itemNode(item.ref), null)) : null;
  };
}

/** Items by their own node, and by that of the content that they stand for to a reader. */
function itemsByNode(shell: Shell): ReadonlyMap<NodeKey, Item> {
  const items = new Map<NodeKey, Item>();
  for (const item of shell.items) {
    items.set(itemNode(item.ref), item);
    if (item.content !== null && !items.has(contentNode(item.content)))
      items.set(contentNode(item.content), item);
  }
  return items;
}

/** By which edge each node is reached first, breadth first; what begins a chain has none. */
function edgesFromOutline(graph: LinkGraph, turns: readonly (readonly Item[])[]): ReadonlyMap<NodeKey, Edge> {
  const cameBy = new Map<NodeKey, Edge>();
  const seen = new Set<NodeKey>();
  for (const turn of turns) {
    const queue = turn.map((item) => itemNode(item.ref));
    for (const node of queue) seen.add(node);
    for (const node of queue)
      for (const edge of graph.outgoing.get(node) ?? []) {
        if (seen.has(edge.to)) continue;
        seen.add(edge.to);
        cameBy.set(edge.to, edge);
        queue.push(edge.to);
      }
  }
  return cameBy;
}

/** A link to an item's content that stands in something else that the outline leads to. */
function linkTo(
  shell: Shell,
  graph: LinkGraph,
  cameBy: ReadonlyMap<NodeKey, Edge>,
  item: Item,
): Edge | undefined {
  const targets = targetNodes(shell, item.content);
  const inside = new Set(targets);
  return targets
    .flatMap((node) => graph.incoming.get(node) ?? [])
    .find((edge) => leadsBy(edge) !== null && !inside.has(edge.from) && cameBy.has(edge.from));
}

/** What is seen of a node: the item that shows a content stands for it. */
function holderOf(node: NodeKey, cameBy: ReadonlyMap<NodeKey, Edge>): NodeKey {
  const edge = cameBy.get(node);
  return edge && leadsBy(edge) === null ? holderOf(edge.from, cameBy) : node;
}

/** How an edge leads on, in words; null for a place and what it shows, which are one thing to a reader. */
function leadsBy(edge: Edge): ChainPart['leads'] {
  switch (edge.kind) {
    case 'address':
      return edge.attribute === 'href' ? 'links to' : 'shows';
    case 'dependency':
      return 'needs';
    case 'bank':
      return 'draws on';
    case 'place':
    case 'owns':
      return null;
  }
}
