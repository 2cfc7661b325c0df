import { elementAt } from '@/core/sure';
import type { ContentKeys } from '@/core/compare/content-keys';
import type { Item } from '@/core/shell/model';
import { titleKey } from '@/core/text/normalise';
import { findRepeatedRuns, type FarSeed, type RepeatedRun } from './repeated-runs';

/** A stretch of the outline that stands again, and where. */
interface Stretch {
  readonly start: number;
  readonly length: number;
  readonly copies: Copy[];
}
/** Where the first place of a stretch would stand in a copy, and which places of the stretch the copy has: `from` to `to`, end excluded. */
interface Copy {
  readonly start: number;
  readonly from: number;
  readonly to: number;
}
/** The stretch or copy that a place lies in. */
interface Within {
  readonly stretch: Stretch;
  /** Which stretch it is, in the order in which they were found. */
  readonly number: number;
  readonly origin: number;
}

/** Comparing copies with the kept one, beyond their neighbours, may cost so many times the size of the outline. */
const farWork = 16;

/** The stretches of an outline that stand twice or more: each its copies in outline order, a place that a copy does not have being null. */
export function repeatedStretches(
  items: readonly Item[],
  keys: ContentKeys,
  shortest: number,
): (Item | null)[][][] {
  const finder = new StretchFinder(items, keys, shortest);
  const { runs, far } = findRepeatedRuns({
    size: items.length,
    classOf: finder.classOf,
    matches: finder.matches,
    mayReplace: finder.isSameKind,
    shortest,
  });
  finder.takeFarSeeds(far);
  for (const run of runs)
    for (const piece of splitOverlap(run, shortest)) finder.take(betweenMatches(piece, finder.matches));
  return finder.copies();
}

class StretchFinder {
  private readonly content: readonly (string | null)[];
  private readonly titles: readonly string[];
  private readonly classes: readonly number[];
  private readonly taken = new Set<number>();
  private readonly found: Stretch[] = [];
  /** The earliest found first: a stretch may stand a thousand times. */
  private readonly within = new Map<number, Within>();
  private readonly far = new Map<number, Set<number>>();
  private allowance: number;

  constructor(
    private readonly items: readonly Item[],
    keys: ContentKeys,
    private readonly shortest: number,
  ) {
    this.content = items.map((i) => keys.of(i));
    this.titles = items.map((i) => titleKey(i.title));
    this.classes = joinClasses(items, this.titles, this.content);
    this.allowance = farWork * items.length;
  }

  readonly classOf = (place: number): number => this.classes[place] ?? -1;
  readonly isSameKind = (a: number, b: number): boolean => this.items[a]?.kind === this.items[b]?.kind;
  readonly matches = (a: number, b: number): boolean => {
    if (!this.isSameKind(a, b)) return false;
    const content = this.content[a] ?? null;
    return this.titles[a] === this.titles[b] || (content !== null && content === this.content[b]);
  };

  takeFarSeeds(seeds: readonly FarSeed[]): void {
    for (const { first, apart } of seeds) {
      const known = this.far.get(first);
      if (known) known.add(apart);
      else this.far.set(first, new Set([apart]));
    }
  }

  /** Notes that a stretch stands again, as a copy of one that is known or as a new one; nothing where its places are spoken for. */
  take(run: RepeatedRun): void {
    const { first, again, length } = run;
    if (length < this.shortest || !this.isFree(run) || !this.isSound(run)) return;
    for (let k = 0; k < length; k += 1) this.taken.add(again + k);
    const base = this.within.get(first);
    const from = first - (base?.origin ?? 0);
    if (base && isNearlyWhole(base.stretch, from, length)) {
      base.stretch.copies.push({ start: again - from, from, to: from + length });
      this.cover(base.stretch, base.number, again - from);
      return;
    }
    const stretch = { start: first, length, copies: [{ start: again, from: 0, to: length }] };
    for (const origin of [first, again]) this.cover(stretch, this.found.length, origin);
    this.found.push(stretch);
    this.takeFarCopies(stretch);
  }

  /** Each stretch as its copies in outline order, the first one first. */
  copies(): (Item | null)[][][] {
    return this.found
      .sort((a, b) => a.start - b.start)
      .map((stretch) => {
        const whole = { start: stretch.start, from: 0, to: stretch.length };
        const later = stretch.copies.sort((a, b) => a.start - b.start);
        return [whole, ...later].map((copy) => this.itemsOf(stretch, copy));
      });
  }

  /** A later copy may differ from its neighbour in more places than from the first one: it is weighed against that, whole. */
  private takeFarCopies({ start, length }: Stretch): void {
    const aparts = new Set<number>();
    for (let place = start; place < start + length; place += 1)
      for (const apart of this.far.get(place) ?? []) aparts.add(apart);
    for (const apart of [...aparts].sort((a, b) => a - b)) {
      if (this.allowance <= 0) return;
      this.allowance -= length;
      const whole = { first: start, again: start + apart, length };
      const run = betweenMatches(whole, this.matches);
      if (this.isCopy(run)) this.take(run);
    }
  }

  /** Has a stretch at most one place in ten replaced, and by things of the same kind? */
  private isCopy({ first, again, length }: RepeatedRun): boolean {
    let replaced = 0;
    for (let k = 0; k < length; k += 1) {
      if (!this.isSameKind(first + k, again + k)) return false;
      if (!this.matches(first + k, again + k)) replaced += 1;
    }
    return replaced * 10 <= length;
  }

  private isFree({ again, length }: RepeatedRun): boolean {
    for (let k = 0; k < length; k += 1) if (this.taken.has(again + k)) return false;
    return true;
  }

  /** At least half of the items that have content match in content, and there is more than headings. */
  private isSound({ first, again, length }: RepeatedRun): boolean {
    let having = 0;
    let equal = 0;
    let others = 0;
    for (let k = 0; k < length; k += 1) {
      const content = this.content[first + k] ?? null;
      if (this.items[first + k]?.kind !== 'heading') others += 1;
      if (content === null) continue;
      having += 1;
      if (content === this.content[again + k]) equal += 1;
    }
    return others > 0 && equal * 2 >= having;
  }

  private cover(stretch: Stretch, number: number, origin: number): void {
    for (let k = 0; k < stretch.length; k += 1)
      if ((this.within.get(origin + k)?.number ?? Infinity) > number)
        this.within.set(origin + k, { stretch, number, origin });
  }

  /** A copy's items, place by place of the stretch; what stands there of another kind is no part of it. */
  private itemsOf(stretch: Stretch, copy: Copy): (Item | null)[] {
    return Array.from({ length: stretch.length }, (_, k) => {
      const item = k >= copy.from && k < copy.to ? this.items[copy.start + k] : undefined;
      return item && this.isSameKind(stretch.start + k, copy.start + k) ? item : null;
    });
  }
}

/** Does a piece from this place on hold all of a stretch but for one place in ten at its ends? */
const isNearlyWhole = (stretch: Stretch, from: number, length: number): boolean =>
  from + length <= stretch.length && stretch.length - length <= Math.floor(stretch.length / 10);

/** A stretch that overlaps its own repeat is one stretch repeated end to end: cut it at its own length. */
function splitOverlap({ first, again, length }: RepeatedRun, shortest: number): RepeatedRun[] {
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

/** A piece without the places at its ends that do not match: what stands between two copies is part of neither. */
function betweenMatches(piece: RepeatedRun, matches: (a: number, b: number) => boolean): RepeatedRun {
  let { first, again, length } = piece;
  while (length > 0 && !matches(first + length - 1, again + length - 1)) length -= 1;
  while (length > 0 && !matches(first, again)) {
    first += 1;
    again += 1;
    length -= 1;
  }
  return { first, again, length };
}

function joinClasses(
  items: readonly Item[],
  titles: readonly string[],
  content: readonly (string | null)[],
): number[] {
  const parent = items.map((_, i) => i);
  const root = (i: number): number => {
    let at = i;
    while (parent[at] !== at) at = parent[at] = elementAt(parent, elementAt(parent, at));
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
