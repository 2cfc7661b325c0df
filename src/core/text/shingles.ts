import { codeUnits } from './code-units';

/** What an ASCII character is to a word: its lower-case form, 0 where it ends one. */
const asciiLetter = Uint8Array.from({ length: 128 }, (_, c) => {
  const char = String.fromCharCode(c);
  if (/[0-9a-z]/.test(char)) return c;
  return /[A-Z]/.test(char) ? c + 32 : 0;
});
/** Used again from text to text: most of a shell is read through here. */
let scratch = new Uint32Array(4096);

/** Some hundred words among so many places: one text in ten has a word that falls on another's place. */
const cueSlots = 2 ** 18;
const noCues = new Uint16Array(cueSlots);

/** The words of a text, and which of the words looked for are among them. */
export interface Words {
  readonly codes: Uint32Array;
  /** The marks of the cues that occur, joined by “or”; now and then one that does not. */
  readonly cues: number;
}

function addMark(marks: Uint16Array, place: number, mark: number): void {
  marks[place] = (marks[place] ?? 0) | mark;
}

/** Words to look for, each with one of sixteen bits as its mark; `markChars` does so with characters of ASCII. */
export class Cues {
  readonly ofWord = new Uint16Array(cueSlots);
  readonly ofChar = new Uint16Array(128);

  markWords(words: Iterable<string>, mark: number): this {
    for (const word of words)
      for (const code of wordCodes(word)) addMark(this.ofWord, code & (cueSlots - 1), mark);
    return this;
  }
  markChars(chars: string, mark: number): this {
    for (const char of chars) addMark(this.ofChar, char.charCodeAt(0), mark);
    return this;
  }
}

/** Words of a text as numbers; a word is a run of letters and digits, compared NFKC and without regard to case. */
export const wordCodes = (text: string): Uint32Array => readWords(text, null).codes;

/**
 * Words as `wordCodes` gives them, and the cues among them: a pattern that can only match where a certain word stands
 * need not be tried on the many texts without it. A word with digits behind it, as in Spring2025, counts as well.
 */
export function readWords(text: string, cues: Cues | null): Words {
  const plain = isAsciiOnly(text) ? text : text.normalize('NFKC');
  const { length } = plain;
  const units = codeUnits(plain);
  if (scratch.length <= length >> 1) scratch = new Uint32Array(length + 1);
  const codes = scratch;
  const ofWord = cues?.ofWord ?? noCues;
  const ofChar = cues?.ofChar ?? noCues;
  let found = 0;
  let n = 0;
  let hash = 0;
  for (let i = 0; i < length; i += 1) {
    const c = units[i] ?? 0;
    const letter = c < 128 ? (asciiLetter[c] ?? 0) : foldedLetter(c);
    if (letter === 0) {
      if (hash !== 0) {
        found |= ofWord[hash & (cueSlots - 1)] ?? 0;
        codes[n++] = hash;
        hash = 0;
      }
      if (c < 128) found |= ofChar[c] ?? 0;
    } else {
      if (letter < 58 && hash !== 0) found |= ofWord[hash & (cueSlots - 1)] ?? 0;
      hash = Math.imul((hash === 0 ? 0x811c9dc5 : hash) ^ letter, 0x01000193) | 0 || 1;
    }
  }
  if (hash !== 0) {
    found |= ofWord[hash & (cueSlots - 1)] ?? 0;
    codes[n++] = hash;
  }
  return { codes: codes.slice(0, n), cues: found };
}

/** Plain ASCII is in NFKC already. */
const isAsciiOnly = (text: string): boolean => /^[\x00-\x7f]*$/.test(text);

const folded = new Map<number, number>();
/** The lower-case form of a letter or digit beyond ASCII; 0 for anything else. Halves of a pair count as letters. */
function foldedLetter(code: number): number {
  const known = folded.get(code);
  if (known !== undefined) return known;
  const char = String.fromCharCode(code);
  const letter =
    (code >= 0xd800 && code <= 0xdfff) || /[\p{L}\p{N}]/u.test(char) ? char.toLowerCase().charCodeAt(0) : 0;
  folded.set(code, letter);
  return letter;
}

/**
 * Calls `visit` with every `size`-word shingle of a text (Leskovec, Rajaraman and Ullman, Mining of Massive Datasets,
 * 3.2.3) as a number of 53 bits, 32 high and 21 low ones. Two rolling sums modulo 2³² (Karp and Rabin, 1987; named
 * from memory) let each shingle be made of the one before.
 */
export function eachShingle(
  words: Uint32Array,
  size: number,
  visit: (high: number, low: number) => void,
): void {
  const [a, b] = [0x01000193, 0x5bd1e995];
  let lastA = 1;
  let lastB = 1;
  for (let k = 0; k < size; k += 1) {
    lastA = Math.imul(lastA, a);
    lastB = Math.imul(lastB, b);
  }
  let high = 0;
  let low = 0;
  for (let i = 0; i < words.length; i += 1) {
    const word = words[i] ?? 0;
    high = (Math.imul(high, a) + word) | 0;
    low = (Math.imul(low, b) + (word ^ (word >>> 15))) | 0;
    if (i >= size) {
      const gone = words[i - size] ?? 0;
      high = (high - Math.imul(gone, lastA)) | 0;
      low = (low - Math.imul(gone ^ (gone >>> 15), lastB)) | 0;
    }
    if (i >= size - 1) visit(high, (low ^ (low >>> 13)) >>> 11);
  }
}

/** The distinct shingles of a text; with 53 bits two shingles of a shell do not meet by chance. */
export function shingleSet(words: Uint32Array, size: number): Set<number> {
  const set = new Set<number>();
  eachShingle(words, size, (high, low) => set.add((high >>> 0) * 0x200000 + low));
  return set;
}

/** Jaccard similarity of two sets: what they share over what they hold together (3.1.1); 0 for two empty sets. */
export function jaccard<T>(a: ReadonlySet<T>, b: ReadonlySet<T>): number {
  const [small, large] = a.size <= b.size ? [a, b] : [b, a];
  let shared = 0;
  for (const x of small) if (large.has(x)) shared += 1;
  const all = a.size + b.size - shared;
  return all === 0 ? 0 : shared / all;
}
