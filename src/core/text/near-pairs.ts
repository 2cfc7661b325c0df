import { elementAt } from '@/core/sure';
import { candidatePairs, chanceOfMeeting, estimate, Signature } from './min-hash';
import { eachShingle, jaccard, shingleSet, wordCodes } from './shingles';

export interface NearPair {
  readonly a: number;
  readonly b: number;
  /** Jaccard similarity of the shingle sets, counted exactly. */
  readonly similarity: number;
}

const places = 100;
const mostRows = 4;

/**
 * How many rows a band has for a threshold: as many as leave a pair just at it a chance of 0.995 to meet in some band.
 * 25 bands of 4 rows do so from 0.67 on (0.75: 0.9999, and 0.18 for a pair of 0.3); looser rules take shorter bands.
 */
export function rowsFor(threshold: number): number {
  for (let rows = mostRows; rows > 1; rows -= 1)
    if (chanceOfMeeting(threshold, Math.floor(places / rows), rows) >= 0.995) return rows;
  return 1;
}

/** Pairs of texts whose sets of 4-word shingles are similar to `threshold` or more: banding proposes, counting decides. */
export const nearPairs = (texts: readonly string[], threshold: number, size = 4): NearPair[] =>
  pairsOf(
    texts.map((text) => nearSignature(wordCodes(text), size)),
    (i) => wordCodes(elementAt(texts, i)),
    threshold,
    size,
  );

/** What a text is proposed by, from its words. */
export function nearSignature(words: Uint32Array, size = 4): Uint32Array {
  const signature = new Signature(places);
  eachShingle(words, size, (high, low) => signature.add(high, low));
  return signature.values();
}

/** As `nearPairs`, with the signatures of the texts at hand; the words of a text are asked for only where it has a near one. */
export function pairsOf(
  signatures: readonly Uint32Array[],
  wordsOf: (text: number) => Uint32Array,
  threshold: number,
  size = 4,
): NearPair[] {
  const rows = rowsFor(threshold);
  const partners = [...candidatePairs(signatures, Math.floor(places / rows), rows)].sort(([a], [b]) => a - b);
  const sets = new Map<number, Set<number>>();
  const setOf = (i: number) => {
    let set = sets.get(i);
    if (!set) sets.set(i, (set = shingleSet(wordsOf(i), size)));
    return set;
  };
  const found: NearPair[] = [];
  // A text's set is kept only while its own partners are looked at, unless it is asked for again.
  for (const [a, others] of partners) {
    for (const b of [...others].sort((x, y) => x - y)) {
      // Five standard errors below the threshold nothing is missed (binomial, 100 places).
      if (
        estimate(elementAt(signatures, a), elementAt(signatures, b)) <
        threshold - 5 * Math.sqrt((threshold * (1 - threshold)) / places)
      )
        continue;
      const similarity = jaccard(setOf(a), setOf(b));
      if (similarity >= threshold) found.push({ a, b, similarity });
    }
    sets.delete(a);
  }
  return found;
}

/** The same by comparing every pair: the reference for tests and the bench. */
export function nearPairsExhaustively(texts: readonly string[], threshold: number, size = 4): NearPair[] {
  const sets = texts.map((text) => shingleSet(wordCodes(text), size));
  const found: NearPair[] = [];
  for (let a = 0; a < sets.length; a += 1)
    for (let b = a + 1; b < sets.length; b += 1) {
      const similarity = jaccard(elementAt(sets, a), elementAt(sets, b));
      if (similarity >= threshold) found.push({ a, b, similarity });
    }
  return found;
}
