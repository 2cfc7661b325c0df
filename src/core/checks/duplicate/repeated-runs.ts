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

/**
 * Finds stretches that stand twice, with at most one place in ten replaced.
 *
 * Every such stretch of five or more holds five matches in a row (n places with floor(n/10) replaced fall into
 * floor(n/10)+1 rows of matches, the longest of which has five or more), so rows of five equal classes are the seeds.
 * A seed is compared with the one before it in its class only, which keeps the work near linear where one row stands
 * very often; the stretch found is then as long as the weights allow: +1 for a match, -9 for a replaced place, and
 * the longest piece with a sum of 0 or more is taken.
 */
export function findRepeatedRuns(input: RunInput): RepeatedRun[] {
  const seeds = seedPairs(input);
  const covered = new Map<number, number>();
  const runs: RepeatedRun[] = [];
  for (const [a, b] of seeds) {
    const apart = b - a;
    if ((covered.get(apart) ?? -1) > a) continue;
    const stretch = widen(input, a, apart);
    covered.set(apart, stretch.end);
    for (const piece of longestPieces(input, stretch.start, stretch.end, apart))
      runs.push({ first: piece.start, again: piece.start + apart, length: piece.end - piece.start });
  }
  return runs.sort((x, y) => y.length - x.length || x.first - y.first || x.again - y.again);
}

function seedPairs({ size, classOf, shortest }: RunInput): [number, number][] {
  const last = new Map<string, number>();
  const pairs: [number, number][] = [];
  for (let i = 0; i + shortest <= size; i += 1) {
    let key = '';
    for (let k = 0; k < shortest; k += 1) key += `${classOf(i + k)},`;
    const before = last.get(key);
    if (before !== undefined) pairs.push([before, i]);
    last.set(key, i);
  }
  return pairs;
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
  for (let k = 0; k < size; k += 1) sums[k + 1] = sums[k]! + (match[k] ? 1 : -9);
  // Falling minima are the only useful beginnings; going back from the end, each is tried once.
  const beginnings: number[] = [];
  for (let k = 0; k < size; k += 1)
    if (match[k] && (beginnings.length === 0 || sums[k]! < sums[beginnings.at(-1)!]!)) beginnings.push(k);
  let best = { start: 0, end: 0 };
  for (let e = size, left = beginnings.length; e > 0 && left > 0; e -= 1) {
    if (!match[e - 1]) continue;
    while (left > 0 && sums[beginnings[left - 1]!]! <= sums[e]!) {
      left -= 1;
      const b = beginnings[left]!;
      if (e - b > best.end - best.start) best = { start: b, end: e };
    }
  }
  if (best.end - best.start < input.shortest) return [];
  return [
    ...longestPieces(input, start, start + best.start, apart),
    { start: start + best.start, end: start + best.end },
    ...longestPieces(input, start + best.end, end, apart),
  ];
}
