import type { Item, Shell } from '@/core/shell/model';
import type { Outline } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import type { ContentKeys } from '@/core/compare/content-keys';
import { repeatedStretches } from './repeated-stretches';

/** Fewest items in a row that count as a stretch that stands again. */
export const shortestRepeat = 5;

/** The outline's repeated stretches, shared by the checks that speak of copies. */
export interface Repeats {
  /** Each with the copy that stays first. A place that a copy does not have is null. */
  readonly all: readonly (readonly (readonly (Item | null)[])[])[];
  /** Items that stand in a copy that would go, and their counterparts in the one that stays. */
  readonly counterpart: ReadonlyMap<ItemRef, ItemRef>;
}

export function findRepeats(shell: Shell, keys: ContentKeys, outline: Outline): Repeats {
  const items = shell.items.filter((i) => i.placed);
  const all = repeatedStretches(items, keys, shortestRepeat).map((copies) => orderCopies(copies, outline));
  const counterpart = new Map<ItemRef, ItemRef>();
  for (const [kept, ...later] of all)
    for (const copy of later)
      copy.forEach((item, k) => {
        const other = kept?.[k];
        if (item && other && item.kind === other.kind) counterpart.set(item.ref, other.ref);
      });
  return { all, counterpart };
}

/** The kept copy first: one with student work before one without, one that students see before a hidden one, else the earlier. */
function orderCopies(copies: (Item | null)[][], outline: Outline): (Item | null)[][] {
  const work = (copy: (Item | null)[]) => copy.filter((i) => (i?.studentWork ?? 0) > 0).length;
  const shown = (copy: (Item | null)[]) => copy.filter((i) => i && outline.isShown(i)).length;
  // Of equals the earlier stays the first: the order of sorting is stable.
  const [best] = copies.toSorted((a, b) => work(b) - work(a) || Number(shown(b) > 0) - Number(shown(a) > 0));
  return best ? [best, ...copies.filter((copy) => copy !== best)] : [];
}
