/** Words of a text as numbers; a word is a run of letters and digits, compared NFKC and without regard to case. */
export function wordCodes(text: string): Uint32Array {
  const plain = /^[\x00-\x7f]*$/.test(text) ? text : text.normalize('NFKC');
  const codes = new Uint32Array((plain.length >> 1) + 1);
  let n = 0;
  let hash = 0;
  for (let i = 0; i < plain.length; i += 1) {
    const c = plain.charCodeAt(i);
    const letter = (c >= 97 && c <= 122) || (c >= 48 && c <= 57) ? c : c >= 65 && c <= 90 ? c + 32 : c < 128 ? 0 : foldedLetter(c);
    if (letter === 0) {
      if (hash !== 0) codes[n++] = hash;
      hash = 0;
    } else hash = Math.imul((hash === 0 ? 0x811c9dc5 : hash) ^ letter, 0x01000193) >>> 0 || 1;
  }
  if (hash !== 0) codes[n++] = hash;
  return codes.slice(0, n);
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

/** The distinct `size`-word shingles of a text (Leskovec, Rajaraman and Ullman, Mining of Massive Datasets, 3.2.3), each as one number. */
export function shingleSet(words: Uint32Array, size: number): Set<number> {
  const set = new Set<number>();
  for (let i = 0; i + size <= words.length; i += 1) {
    let high = 0x9e3779b9;
    let low = 0x85ebca6b;
    for (let k = 0; k < size; k += 1) {
      high = Math.imul(high ^ words[i + k]!, 0x01000193);
      low = Math.imul(low ^ (words[i + k]! >>> (k + 1)) ^ Math.imul(words[i + k]!, 0x9e3779b1), 0xc2b2ae35);
      low ^= low >>> 15;
    }
    // 53 bits: two shingles of a shell do not meet by chance.
    set.add((high >>> 0) * 0x200000 + (low >>> 11));
  }
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
