/**
 * MinHash signatures (Leskovec, Rajaraman and Ullman, Mining of Massive Datasets, 3.3): for each hash function the
 * smallest value over a set. The share of equal places estimates the Jaccard similarity of two sets.
 */
export function minHash(set: Iterable<number>, hashes: readonly ((element: number) => number)[]): number[] {
  const signature = new Array<number>(hashes.length).fill(Infinity);
  for (const element of set)
    hashes.forEach((hash, i) => {
      const value = hash(element);
      if (value < (signature[i] ?? Infinity)) signature[i] = value;
    });
  return signature;
}

const empty = 0xffffffff;

/**
 * The same with one hash function whose values fall into `places` bins; an empty bin takes the value of another that
 * a fixed order of tries names, the same for every set, so that the share of equal places stays an unbiased estimate
 * (one permutation hashing with optimal densification: Shrivastava, ICML 2017; named from memory). A set costs one hash
 * an element instead of one for each place, and an element may be added twice.
 */
export class Signature {
  private readonly bins: Uint32Array;

  constructor(places: number) {
    this.bins = new Uint32Array(places).fill(empty);
  }

  /** Adds an element given as two numbers of 32 bits. */
  add(high: number, low: number): void {
    const hash = mix(low ^ Math.imul(high, 0x9e3779b1));
    const bin = hash % this.bins.length;
    const value = mix(hash ^ 0x5bd1e995) >>> 1;
    if (value < (this.bins[bin] ?? empty)) this.bins[bin] = value;
  }

  /** The signature of what was added; of nothing, all places are 2³² − 1. */
  values(): Uint32Array {
    const { bins } = this;
    if (bins.every((b) => b === empty)) return bins;
    const filled = bins.slice();
    for (let bin = 0; bin < bins.length; bin += 1)
      if (bins[bin] === empty)
        for (let tries = 1; ; tries += 1) {
          const other = mix(Math.imul(bin + 1, 0x27d4eb2f) ^ Math.imul(tries, 0x165667b1)) % bins.length;
          const value = bins[other];
          if (value === undefined || value === empty) continue;
          filled[bin] = value;
          break;
        }
    return filled;
  }
}

/** The signature of a set of whole numbers of at most 53 bits. */
export function signatureOf(set: Iterable<number>, places: number): Uint32Array {
  const signature = new Signature(places);
  for (const element of set) signature.add(Math.floor(element / 0x100000000), element % 0x100000000);
  return signature.values();
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
export const chanceOfMeeting = (s: number, bands: number, rows: number): number =>
  1 - (1 - s ** rows) ** bands;

/** In a bucket larger than this each text is paired with the ones before it only: enough to join them, and never a square. */
const mostPartners = 64;

/** The higher partners of each text that has some: signatures that agree in all rows of some band, each pair once (3.4.1). */
export function candidatePairs(
  signatures: readonly ArrayLike<number>[],
  bands: number,
  rows: number,
): Map<number, Set<number>> {
  const partners = new Map<number, Set<number>>();
  const before = new Int32Array(signatures.length);
  for (let band = 0; band < bands; band += 1) {
    // A bucket is a chain: its last text, and before each text the one that came into the bucket earlier.
    const last = new Map<number, number>();
    for (const [i, signature] of signatures.entries()) {
      let key = 0x811c9dc5 ^ band;
      for (let row = 0; row < rows; row += 1)
        key = Math.imul(mix(key ^ (signature[band * rows + row] ?? 0)), 0x01000193);
      let other = last.get(key) ?? -1;
      last.set(key, i);
      before[i] = other;
      for (let n = 0; other >= 0 && n < mostPartners; n += 1, other = before[other] ?? -1) {
        const known = partners.get(other);
        if (known) known.add(i);
        else partners.set(other, new Set([i]));
      }
    }
  }
  return partners;
}
