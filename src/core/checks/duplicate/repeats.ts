import type { Item, Shell } from '@/core/shell/model';
import type { Outline } from '@/core/shell/outline';
import type { ItemRef } from '@/core/shell/refs';
import { titleKey } from '@/core/text/normalise';
import type { ContentKeys } from '@/core/compare/content-keys';
import { findRepeatedRuns } from './repeated-runs';

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
  const all = repeats(items, keys, shortestRepeat).map((r) => orderCopies(r.copies, outline));
  const counterpart = new Map<ItemRef, ItemRef>();
  for (const [kept, ...later] of all)
    for (const copy of later)
      copy.forEach((item, k) => {
        const other = kept?.[k];
        if (item && other && item.kind === other.kind) counterpart.set(item.ref, other.ref);
      });
  return { all, counterpart };
}

/** Places at which a stretch of the outline stands and stands again. */
interface Stretch {
  readonly start: number;
  readonly length: number;
  readonly copies: number[];
}

/** Copies of one stretch; a place that a copy does not have is null. */
interface Repeat {
  readonly copies: (Item | null)[][];
}

function repeats(items: readonly Item[], keys: ContentKeys, shortest: number): Repeat[] {
  const content = items.map((i) => keys.of(i));
  const titles = items.map((i) => titleKey(i.title));
  const classes = joinClasses(items, titles, content);
  const matches = (a: number, b: number) =>
    items[a]!.kind === items[b]!.kind &&
    (titles[a] === titles[b] || (content[a] !== null && content[a] === content[b]));
  const runs = findRepeatedRuns({
    size: items.length,
    classOf: (i) => classes[i]!,
    matches,
    mayReplace: (a, b) => items[a]!.kind === items[b]!.kind,
    shortest,
  });
  const sound = (first: number, again: number, length: number): boolean => {
    let having = 0;
    let equal = 0;
    let others = 0;
    for (let k = 0; k < length; k += 1) {
      if (items[first + k]!.kind !== 'heading') others += 1;
      if (content[first + k] === null) continue;
      having += 1;
      if (content[first + k] === content[again + k]) equal += 1;
    }
    return others > 0 && equal * 2 >= having;
  };
  const taken = new Set<number>();
  const found: Stretch[] = [];
  // Which stretch or copy a place lies in, the earliest found first: a stretch may stand a thousand times.
  const within = new Map<
    number,
    { readonly stretch: Stretch; readonly number: number; readonly origin: number }
  >();
  const cover = (stretch: Stretch, number: number, origin: number) => {
    for (let k = 0; k < stretch.length; k += 1)
      if ((within.get(origin + k)?.number ?? Infinity) > number)
        within.set(origin + k, { stretch, number, origin });
  };
  for (const run of runs) {
    for (const part of splitOverlap(run.first, run.again, run.length, shortest)) {
      if (!sound(part.first, part.again, part.length)) continue;
      let clash = false;
      for (let k = 0; k < part.length; k += 1) if (taken.has(part.again + k)) clash = true;
      if (clash) continue;
      for (let k = 0; k < part.length; k += 1) taken.add(part.again + k);
      const base = within.get(part.first);
      if (base?.origin === part.first && part.length <= base.stretch.length) {
        base.stretch.copies.push(part.again);
        cover(base.stretch, base.number, part.again);
      } else {
        const stretch = { start: part.first, length: part.length, copies: [part.again] };
        for (const origin of [part.first, part.again]) cover(stretch, found.length, origin);
        found.push(stretch);
      }
    }
  }
  return found
    .sort((a, b) => a.start - b.start)
    .map((f) => ({
      copies: [f.start, ...f.copies.sort((a, b) => a - b)].map((c) =>
        Array.from({ length: f.length }, (_, k) => {
          const item = items[c + k];
          return item &&
            (c === f.start || matches(f.start + k, c + k) || item.kind === items[f.start + k]!.kind)
            ? item
            : null;
        }),
      ),
    }));
}

/** A stretch that overlaps its own repeat is one stretch repeated end to end: cut it at its own length. */
function splitOverlap(
  first: number,
  again: number,
  length: number,
  shortest: number,
): { first: number; again: number; length: number }[] {
  const apart = again - first;
  if (length <= apart) return [{ first, again, length }];
  const period = apart * Math.ceil(shortest / apart);
  const parts = [];
  for (let at = first + period; at < again + length; at += period) {
    const rest = Math.min(period, again + length - at);
    if (rest >= shortest) parts.push({ first, again: at, length: rest });
  }
  return parts;
}

function joinClasses(
  items: readonly Item[],
  titles: readonly string[],
  content: readonly (string | null)[],
): number[] {
  const parent = items.map((_, i) => i);
  const root = (i: number): number => {
    let at = i;
    while (parent[at] !== at) at = parent[at] = parent[parent[at]!]!;
    return at;
  };
  const first = new Map<string, number>();
  items.forEach((item, i) => {
    for (const key of [`t ${item.kind} ${titles[i]}`, content[i] === null ? '' : `c ${content[i]}`]) {
      if (key === '') continue;
      const known = first.get(key);
      if (known === undefined) first.set(key, i);
      else parent[root(i)] = root(known);
    }
  });
  return items.map((_, i) => root(i));
}

/** The kept copy first: one with student work before one without, one that students see before a hidden one, else the earlier. */
function orderCopies(copies: (Item | null)[][], outline: Outline): (Item | null)[][] {
  const work = (copy: (Item | null)[]) => copy.filter((i) => (i?.studentWork ?? 0) > 0).length;
  const shown = (copy: (Item | null)[]) => copy.filter((i) => i && outline.isShown(i)).length;
  const best = [...copies.keys()].sort(
    (a, b) =>
      work(copies[b]!) - work(copies[a]!) ||
      Number(shown(copies[b]!) > 0) - Number(shown(copies[a]!) > 0) ||
      a - b,
  )[0]!;
  return [copies[best]!, ...copies.filter((_, i) => i !== best)];
}
