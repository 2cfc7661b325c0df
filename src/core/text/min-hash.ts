/**
 * MinHash signatures (Leskovec, Rajaraman and Ullman, Mining of Massive Datasets, 3.3): for each hash function the
 * smallest value over a set. The share of equal places estimates the Jaccard similarity of two sets.
 */
export function minHash(set: Iterable<number>, hashes: readonly ((element: number) => number)[]): number[] {
  const signature = new Array<number>(hashes.length).fill(Infinity);
  for (const element of set)
    hashes.forEach((hash, i) => {
      const value = hash(element);
      if (value < signature[i]!) signature[i] = value;
    });
  return signature;
}

/**
 * The same with one hash function whose values fall into `places` bins; an empty bin takes the value of another that
 * a fixed order of tries names, the same for every set, so that the share of equal places stays an unbiased estimate
 * (one permutation hashing with optimal densification: Shrivastava, ICML 2017; named from memory). A set costs one hash
 * an element instead of one for each place.
 */
export function signatureOf(set: ReadonlySet<number>, places: number): Uint32Array {
  const empty = 0xffffffff;
  const bins = new Uint32Array(places).fill(empty);
  for (const element of set) {
    const hash = mix((element % 0x100000000) ^ Math.imul(Math.floor(element / 0x100000000), 0x9e3779b1));
    const bin = hash % places;
    const value = mix(hash ^ 0x5bd1e995) >>> 1;
    if (value < bins[bin]!) bins[bin] = value;
  }
  if (set.size === 0) return bins;
  const filled = bins.slice();
  for (let bin = 0; bin < places; bin += 1)
    if (bins[bin] === empty)
      for (let tries = 1; ; tries += 1) {
        const other = mix(Math.imul(bin + 1, 0x27d4eb2f) ^ Math.imul(tries, 0x165667b1)) % places;
        if (bins[other] === empty) continue;
        filled[bin] = bins[other]!;
        break;
      }
  return filled;
}

function mix(x: number): number {
  let h = x >>> 0;
  h = Math.imul(h ^ (h >>> 16), 0x7feb352d);
  h = Math.imul(h ^ (h >>> 15), 0x846ca68b);
  return (h ^ (h >>> 16)) >>> 0;
}

/** The share of places in which two signatures agree. */
export function estimate(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let equal = 0;
  for (let i = 0; i < a.length; i += 1) if (a[i] === b[i]) equal += 1;
  return a.length === 0 ? 0 : equal / a.length;
}

/** The chance that a pair of similarity `s` agrees in a whole band: 1 − (1 − s^rows)^bands (3.4.2). */
export const chanceOfMeeting = (s: number, bands: number, rows: number): number => 1 - (1 - s ** rows) ** bands;

/** In a bucket larger than this each text is paired with the ones before it only: enough to join them, and never a square. */
const mostPartners = 64;

/** Pairs of signatures that agree in all rows of some band, each once, the lower index first (3.4.1). */
export function candidatePairs(signatures: readonly ArrayLike<number>[], bands: number, rows: number): Set<number>[] {
  const partners: Set<number>[] = signatures.map(() => new Set());
  for (let band = 0; band < bands; band += 1) {
    const buckets = new Map<number, number[]>();
    for (let i = 0; i < signatures.length; i += 1) {
      let key = 0x811c9dc5 ^ band;
      for (let row = 0; row < rows; row += 1) key = Math.imul(mix(key ^ signatures[i]![band * rows + row]!), 0x01000193);
      const bucket = buckets.get(key);
      if (bucket) bucket.push(i);
      else buckets.set(key, [i]);
    }
    for (const bucket of buckets.values())
      for (let b = 1; b < bucket.length; b += 1) for (let a = Math.max(0, b - mostPartners); a < b; a += 1) partners[bucket[a]!]!.add(bucket[b]!);
  }
  return partners;
}
