import type { Sha256 } from '@/core/refs/refs';
import { nearSignature } from './near-pairs';
import { textDigest } from './normalise';

/** What texts are compared by. */
export interface Wording {
  /** How many words the text has. */
  readonly words: number;
  /** Equal where two texts are, but for white space, case and compatible forms; null where nothing is left. */
  readonly digest: Sha256 | null;
  /** What near texts are proposed by. */
  readonly signature: Uint32Array;
}

/** The wording of a text, from it and its words. */
export const wordingOfText = (text: string, words: Uint32Array): Wording => ({
  words: words.length,
  digest: textDigest(text),
  signature: nearSignature(words),
});
