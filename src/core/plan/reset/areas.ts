import { contentNode, linkGraphOf, type NodeKey } from '@/core/links/graph';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';

/** The parts of a shell that a reset empties. */
export const resetAreas = [
  'items',
  'outside',
  'files',
  'events',
  'announcements',
  'grade-setup',
  'banks',
  'groups',
  'home-pages',
] as const;
export type ResetArea = (typeof resetAreas)[number];

function areaOfItem(item: Item): ResetArea {
  if (item.kind === 'announcement') return 'announcements';
  if (item.kind === 'home-page') return 'home-pages';
  return item.placed ? 'items' : 'outside';
}

const refsIn = (shell: Shell): Readonly<Record<ResetArea, readonly string[]>> => {
  const items = (area: ResetArea) => shell.items.filter((i) => areaOfItem(i) === area).map((i) => i.ref);
  return {
    items: items('items'),
    outside: items('outside'),
    files: shell.files.map((f) => f.path),
    events: shell.events.map((e) => e.ref),
    announcements: items('announcements'),
    'grade-setup': [...shell.gradeColumns.map((c) => c.ref), ...shell.gradeCategories.map((c) => c.ref)],
    banks: shell.banks.map((b) => b.ref),
    groups: shell.groups.map((g) => g.ref),
    'home-pages': items('home-pages'),
  };
};

/**
 * The refs that go when areas are reset, each with its area. A kept module keeps all inside it and what it stands in;
 * what stays keeps the files and banks that it needs.
 */
export function goingInAreas(
  shell: Shell,
  areas: readonly ResetArea[],
  keep: readonly string[],
): ReadonlyMap<string, ResetArea> {
  const kept = keptItems(shell, keep);
  const going = new Map<string, ResetArea>();
  for (const area of areas) for (const ref of refsIn(shell)[area]) if (!kept.has(ref)) going.set(ref, area);
  for (const ref of neededBy(shell, (item) => !going.has(item.ref))) going.delete(ref);
  return going;
}

function keptItems(shell: Shell, keep: readonly string[]): Set<string> {
  const outline = outlineOf(shell);
  const kept = new Set<string>(keep);
  for (const item of shell.items) {
    if (!keep.includes(item.ref)) continue;
    for (const other of [...outline.ancestors(item), ...outline.descendants(item.ref)]) kept.add(other.ref);
  }
  return kept;
}

/** Files and banks that what stays needs, and what those need in turn. Pages it only links to are not among them. */
function neededBy(shell: Shell, stays: (item: Item) => boolean): Set<string> {
  const graph = linkGraphOf(shell);
  const bankOf = new Map<string, string>(
    shell.banks.flatMap((b) => (b.content ? [[contentNode(b.content), b.ref] as const] : [])),
  );
  const needed = new Set<string>();
  const seen = new Set<NodeKey>();
  const waiting: NodeKey[] = shell.items.flatMap((item) =>
    stays(item) && item.content ? [contentNode(item.content)] : [],
  );
  for (let node = waiting.pop(); node !== undefined; node = waiting.pop()) {
    if (seen.has(node)) continue;
    seen.add(node);
    for (const { to, kind } of graph.outgoing.get(node) ?? []) {
      const bank = bankOf.get(to);
      if (bank !== undefined) needed.add(bank);
      else if (to.startsWith('file:')) needed.add(to.slice(5));
      else if (kind !== 'dependency') continue;
      waiting.push(to);
    }
    if (node.startsWith('file:')) needed.add(node.slice(5));
  }
  return needed;
}
