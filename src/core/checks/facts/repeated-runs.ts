import { elementAt } from '@/core/sure';
import { collect } from '@/core/collect';

/** One stretch that stands again: `length` places from `first` are repeated from `again` on. */
export interface RepeatedRun {
  readonly first: number;
  readonly again: number;
  readonly length: number;
}

export interface RunInput {
  readonly size: number;
  /** A class that equal places share; places of one class need not be equal. */
  readonly classOf: (index: number) => number;
  readonly matches: (a: number, b: number) => boolean;
  /** May the one stand for the other, although it does not match? */
  readonly mayReplace: (a: number, b: number) => boolean;
  readonly shortest: number;
}

/** Equal rows that are not the nearest to each other: the first one of a class, and how far behind it another stands. */
export interface FarSeed {
  readonly first: number;
  readonly apart: number;
}

/**
 * Finds stretches that stand twice, with at most one place in ten replaced.
 *
 * Every such stretch of five or more holds five matches in a row (n places with floor(n/10) replaced fall into
 * floor(n/10)+1 rows of matches, the longest of which has five or more), so rows of five equal classes are the seeds.
 * A seed is compared with the one before it in its class only, which keeps the work near linear where one row stands
 * very often; the stretch found is then as long as the weights allow: +1 for a match, -9 for a replaced place, and
 * the longest piece with a sum of 0 or more is taken. What stands three times is to be weighed against the copy that
 * stays, and not only against the one before it: for that the seeds that lie further apart are given back as well.
 */
export function findRepeatedRuns(input: RunInput): {
  readonly runs: RepeatedRun[];
  readonly far: readonly FarSeed[];
} {
  const { near, far } = seedsOf(input);
  const covered = new Map<number, number>();
  const runs: RepeatedRun[] = [];
  for (const { first, apart } of near) {
    if ((covered.get(apart) ?? -1) > first) continue;
    const stretch = widen(input, first, apart);
    covered.set(apart, stretch.end);
    const isPeriodic = apart >= input.shortest && stretch.end - stretch.start > apart;
    const pieces = isPeriodic
      ? periods(input, stretch, apart)
      : longestPieces(input, stretch.start, stretch.end, apart);
    for (const piece of pieces)
      runs.push({ first: piece.start, again: piece.start + apart, length: piece.end - piece.start });
  }
  return {
    runs: withoutPairs(runs).sort((x, y) => y.length - x.length || x.first - y.first || x.again - y.again),
    far,
  };
}

/** Runs without those that hold two copies of one thing side by side, which a shorter run tells apart. */
function withoutPairs(runs: readonly RepeatedRun[]): RepeatedRun[] {
  const byFirst = new Map<number, RepeatedRun[]>();
  for (const run of runs) collect(byFirst, run.first, run);
  return runs.filter((run) => {
    const slack = Math.ceil(run.length / 10) + 1;
    for (let first = run.first - slack; first <= run.first + slack; first += 1)
      for (const other of byFirst.get(first) ?? []) if (areCopiesWithin(run, other, slack)) return false;
    return true;
  });
}

/** Are both sides of the other run within the first side of this one, and nearly all of it? */
function areCopiesWithin(run: RepeatedRun, other: RepeatedRun, slack: number): boolean {
  const isShorter = other.length < run.length && other.again < run.again;
  const end = other.again + other.length;
  return isShorter && end <= run.first + run.length + slack && other.length * 2 + slack >= run.length;
}

function seedsOf({ size, classOf, shortest }: RunInput): { near: FarSeed[]; far: FarSeed[] } {
  const first = new Map<string, number>();
  const last = new Map<string, number>();
  const near: FarSeed[] = [];
  const far: FarSeed[] = [];
  for (let i = 0; i + shortest <= size; i += 1) {
    let key = '';
    for (let k = 0; k < shortest; k += 1) key += `${classOf(i + k)},`;
    const before = last.get(key);
    const earliest = first.get(key);
    if (before === undefined) first.set(key, i);
    else near.push({ first: before, apart: i - before });
    if (earliest !== undefined && earliest !== before) far.push({ first: earliest, apart: i - earliest });
    last.set(key, i);
  }
  return { near, far };
}

/** So many beginnings are tried for a period before it is taken as it comes. */
const mostBeginnings = 64;

/**
 * A stretch that overlaps its own repeat stands several times in a row: cut, from its beginning on, into pieces no
 * longer than the way from one to the next, so that what stands between two copies belongs to neither.
 */
function periods(
  input: RunInput,
  stretch: { readonly start: number; readonly end: number },
  apart: number,
): { start: number; end: number }[] {
  const pieces: { start: number; end: number }[] = [];
  let at = stretch.start;
  for (let tries = 0; at + input.shortest <= stretch.end; tries += 1) {
    const end = longestEnd(input, at, Math.min(at + apart, stretch.end), apart);
    if (end - at >= input.shortest) {
      pieces.push({ start: at, end });
      at = end;
      tries = 0;
    } else at += tries < mostBeginnings ? 1 : apart;
  }
  return pieces;
}

/** The furthest end of a piece that begins here, begins and ends with a match and has at most one in ten replaced. */
function longestEnd({ matches }: RunInput, start: number, most: number, apart: number): number {
  if (!matches(start, start + apart)) return start;
  let sum = 0;
  let end = start;
  for (let i = start; i < most; i += 1) {
    const isMatch = matches(i, i + apart);
    sum += isMatch ? 1 : -9;
    if (isMatch && sum >= 0) end = i + 1;
  }
  return end;
}

/** The whole stretch around a seed in which every place matches or may be replaced. */
function widen(
  { size, matches, mayReplace }: RunInput,
  a: number,
  apart: number,
): { start: number; end: number } {
  const fits = (i: number) => matches(i, i + apart) || mayReplace(i, i + apart);
  let start = a;
  while (start > 0 && fits(start - 1)) start -= 1;
  let end = a;
  while (end + apart < size && fits(end)) end += 1;
  return { start, end };
}

/** The longest pieces of a stretch that begin and end with a match and have at most one in ten replaced. */
function longestPieces(
  input: RunInput,
  start: number,
  end: number,
  apart: number,
): { start: number; end: number }[] {
  if (end - start < input.shortest) return [];
  const size = end - start;
  const match = Array.from({ length: size }, (_, k) => input.matches(start + k, start + k + apart));
  const sums = new Int32Array(size + 1);
  const sumAt = (k: number) => sums[k] ?? 0;
  for (let k = 0; k < size; k += 1) sums[k + 1] = sumAt(k) + (match[k] ? 1 : -9);
  // Falling minima are the only useful beginnings; going back from the end, each is tried once.
  const beginnings: number[] = [];
  for (let k = 0, least = Infinity; k < size; k += 1) {
    if (!match[k] || sumAt(k) >= least) continue;
    beginnings.push(k);
    least = sumAt(k);
  }
  let best = { start: 0, end: 0 };
  for (let e = size, left = beginnings.length; e > 0 && left > 0; e -= 1) {
    if (!match[e - 1]) continue;
    while (left > 0) {
      const b = elementAt(beginnings, left - 1);
      if (sumAt(b) > sumAt(e)) break;
      left -= 1;
      if (e - b >= best.end - best.start) best = { start: b, end: e };
    }
  }
  if (best.end - best.start < input.shortest) return [];
  return [
    ...longestPieces(input, start, start + best.start, apart),
    { start: start + best.start, end: start + best.end },
    ...longestPieces(input, start + best.end, end, apart),
  ];
}
