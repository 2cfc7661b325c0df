import { candidatePairs, estimate, signatureOf } from './min-hash';
import { jaccard, shingleSet, wordCodes } from './shingles';

export interface NearPair {
  readonly a: number;
  readonly b: number;
  /** Jaccard similarity of the shingle sets, counted exactly. */
  readonly similarity: number;
}

/** 25 bands of 4 rows: a pair of similarity 0.75 meets in one with a chance of 0.9999, one of 0.3 with 0.18. */
const bands = 25;
const rows = 4;

/** Pairs of texts whose sets of 4-word shingles are similar to `threshold` or more: banding proposes, counting decides. */
export const nearPairs = (texts: readonly string[], threshold: number, size = 4): NearPair[] => pairsOf(texts, texts.map((text) => nearSignature(text, size)), threshold, size);

/** What a text is proposed by; worked out once where the text stays the same. */
export const nearSignature = (text: string, size = 4): Uint32Array => signatureOf(shingleSet(wordCodes(text), size), bands * rows);

/** As `nearPairs`, with the signatures of the texts at hand. */
export function pairsOf(texts: readonly string[], signatures: readonly Uint32Array[], threshold: number, size = 4): NearPair[] {
  const partners = candidatePairs(signatures, bands, rows);
  const sets = new Map<number, Set<number>>();
  const setOf = (i: number) => {
    let set = sets.get(i);
    if (!set) sets.set(i, (set = shingleSet(wordCodes(texts[i]!), size)));
    return set;
  };
  const found: NearPair[] = [];
  // A text's set is kept only while its own partners are looked at, unless it is asked for again.
  partners.forEach((others, a) => {
    for (const b of [...others].sort((x, y) => x - y)) {
      // Five standard errors below the threshold nothing is missed (binomial, 100 places).
      if (estimate(signatures[a]!, signatures[b]!) < threshold - 5 * Math.sqrt((threshold * (1 - threshold)) / (bands * rows))) continue;
      const similarity = jaccard(setOf(a), setOf(b));
      if (similarity >= threshold) found.push({ a, b, similarity });
    }
    sets.delete(a);
  });
  return found;
}

/** The same by comparing every pair: the reference for tests and the bench. */
export function nearPairsExhaustively(texts: readonly string[], threshold: number, size = 4): NearPair[] {
  const sets = texts.map((text) => shingleSet(wordCodes(text), size));
  const found: NearPair[] = [];
  for (let a = 0; a < sets.length; a += 1)
    for (let b = a + 1; b < sets.length; b += 1) {
      const similarity = jaccard(sets[a]!, sets[b]!);
      if (similarity >= threshold) found.push({ a, b, similarity });
    }
  return found;
}
