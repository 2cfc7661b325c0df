import { valueFor } from '@/core/sure';
import { collect } from '@/core/collect';
import { numberLabel, sameNumber } from '@/core/text/number-label';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import type { TakenThings } from './taken-things';

/** Where added items land: in the modules that match theirs, at the end, or all in one chosen module. */
export type Landing =
  | { readonly where: 'matching' }
  | { readonly where: 'end' }
  | { readonly where: 'module'; readonly ref: string };

/**
 * The module of the shell under which each taken item goes, null for the top level. An item whose own module is taken
 * goes into that, or into the one that stands there already; else into the module that stands for it, by identity or by number (“Week 3” into “Week 3”).
 */
export function parentFinder(
  shell: Shell,
  taken: TakenThings,
  landing: Landing,
  newRef: ReadonlyMap<ItemRef, ItemRef>,
): (item: Item) => ItemRef | null {
  const outline = outlineOf(shell);
  const from = outlineOf(taken.incoming);
  const modules = shell.items.filter((i) => i.placed && i.kind === 'module');
  const numbered = modules.flatMap(({ ref, title }) => {
    const label = numberLabel(title);
    return label ? [{ ref, label }] : [];
  });
  const matching = (module: Item): ItemRef | null => {
    const counterpart = taken.counterpart('item', module.ref) as ItemRef | null;
    if (counterpart !== null && outline.byRef.get(counterpart)?.kind === 'module') return counterpart;
    const label = numberLabel(module.title);
    return (label && numbered.find((n) => sameNumber(n.label, label))?.ref) ?? null;
  };
  return (item) => {
    if (item.parent !== null && newRef.has(item.parent)) return valueFor(newRef, item.parent);
    const standIn = item.parent === null ? null : taken.standIn(item.parent);
    if (standIn !== null) return standIn;
    if (landing.where === 'module') return landing.ref as ItemRef;
    if (landing.where === 'end') return null;
    for (const ancestor of [...from.ancestors(item)].reverse()) {
      const parent = newRef.get(ancestor.ref) ?? matching(ancestor);
      if (parent !== null) return parent;
    }
    return null;
  };
}

/** Puts new items behind the last item of their parent, in their own order; what stands outside comes last. */
export function insertInOutline(items: readonly Item[], added: readonly Item[]): Item[] {
  const byParent = new Map<ItemRef | null, Item[]>();
  for (const item of added.filter((i) => i.placed)) collect(byParent, item.parent, item);
  const ordered: Item[] = [];
  const children = new Map<ItemRef | null, Item[]>();
  for (const item of items.filter((i) => i.placed)) collect(children, item.parent, item);
  const visit = (parent: ItemRef | null) => {
    for (const item of [...(children.get(parent) ?? []), ...(byParent.get(parent) ?? [])]) {
      ordered.push(item);
      visit(item.ref);
    }
  };
  visit(null);
  return [...ordered, ...items.filter((i) => !i.placed), ...added.filter((i) => !i.placed)];
}
