import { codeUnits } from './code-units';

/** What an ASCII character is to a word: its lower-case form, 0 where it ends one. */
const asciiLetter = Uint8Array.from({ length: 128 }, (_, c) => (/[0-9a-z]/.test(String.fromCharCode(c)) ? c : /[A-Z]/.test(String.fromCharCode(c)) ? c + 32 : 0));
/** Reused from text to text: most of a shell is read through here. */
let scratch = new Uint32Array(4096);

/** Words of a text as numbers; a word is a run of letters and digits, compared NFKC and without regard to case. */
export function wordCodes(text: string): Uint32Array {
  let length = text.length;
  let units = codeUnits(text);
  let normal = false;
  if (scratch.length <= length >> 1) scratch = new Uint32Array(length + 1);
  let n = 0;
  let hash = 0;
  for (let i = 0; i < length; i += 1) {
    const c = units[i]!;
    if (c >= 128 && !normal) {
      // Plain ASCII is in NFKC already; the first letter beyond it has the text read anew.
      normal = true;
      const plain = text.normalize('NFKC');
      length = plain.length;
      units = codeUnits(plain);
      if (scratch.length <= length >> 1) scratch = new Uint32Array(length + 1);
      n = hash = 0;
      i = -1;
      continue;
    }
    const letter = c < 128 ? asciiLetter[c]! : foldedLetter(c);
    if (letter === 0) {
      if (hash !== 0) scratch[n++] = hash;
      hash = 0;
    } else hash = Math.imul((hash === 0 ? 0x811c9dc5 : hash) ^ letter, 0x01000193) >>> 0 || 1;
  }
  if (hash !== 0) scratch[n++] = hash;
  return scratch.slice(0, n);
}

const folded = new Map<number, number>();
/** The lower-case form of a letter or digit beyond ASCII; 0 for anything else. Halves of a pair count as letters. */
function foldedLetter(code: number): number {
  const known = folded.get(code);
  if (known !== undefined) return known;
  const char = String.fromCharCode(code);
  const letter = (code >= 0xd800 && code <= 0xdfff) || /[\p{L}\p{N}]/u.test(char) ? char.toLowerCase().charCodeAt(0) : 0;
  folded.set(code, letter);
  return letter;
}

/** Calls `visit` with every `size`-word shingle of a text (Leskovec, Rajaraman and Ullman, Mining of Massive Datasets, 3.2.3) as a number of 53 bits: 32 high and 21 low ones. */
export function eachShingle(words: Uint32Array, size: number, visit: (high: number, low: number) => void): void {
  for (let i = 0; i + size <= words.length; i += 1) {
    let high = 0x9e3779b9;
    let low = 0x85ebca6b;
    for (let k = 0; k < size; k += 1) {
      const word = words[i + k]!;
      high = Math.imul(high ^ word, 0x01000193);
      low = Math.imul(low ^ (word >>> (k + 1)) ^ Math.imul(word, 0x9e3779b1), 0xc2b2ae35);
      low ^= low >>> 15;
    }
    visit(high, low >>> 11);
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
