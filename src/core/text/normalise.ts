import { digest } from '@/core/refs/digest';
import type { Sha256 } from '@/core/refs/refs';
import { codeUnits } from './code-units';
import { english } from './english';

/** NFKC and case-folded; plain ASCII is in that form already but for its capitals. */
const folded = (text: string): string =>
  /^[\x00-\x7f]*$/.test(text) ? text.toLowerCase() : caseFolded(text.normalize('NFKC'));

/**
 * Full case folding: `STRASSE` is `Straße` (Unicode Standard, 3.13, D144: toCasefold). Written large and then small
 * again a text is folded, but for the dotless i, which stays itself, and the sigma that ends a word.
 */
const caseFolded = (text: string): string =>
  text
    .split('ı')
    .map((part) => part.toUpperCase().toLowerCase())
    .join('ı')
    .replaceAll('ς', 'σ');

/** Text made fit for comparing: NFKC, case-folded, every kind of white space taken out. */
export const textKey = (text: string): string => folded(text).replace(/[\s\u200b\ufeff]+/gu, '');

let scratch = new Uint8Array(65_536);

/** The digest of a text's key; null where nothing is left of it. */
export function textDigest(text: string): Sha256 | null {
  const { length } = text;
  if (scratch.length < length) scratch = new Uint8Array(length);
  const units = codeUnits(text);
  const key = scratch;
  let n = 0;
  for (let i = 0; i < length; i += 1) {
    const c = units[i] ?? 0;
    if (c >= 128) return digestOfKey(textKey(text));
    const kept = asciiKept[c] ?? blank;
    key[n] = kept;
    if (kept !== blank) n += 1;
  }
  return n === 0 ? null : digest(key.subarray(0, n));
}
const blank = 255;
/** What becomes of an ASCII character in a key: white space (9 to 13 and 32) goes, a capital is written small. */
const asciiKept = Uint8Array.from({ length: 128 }, (_, c) => {
  if (c === 32 || (c >= 9 && c <= 13)) return blank;
  return c >= 65 && c <= 90 ? c + 32 : c;
});
const digestOfKey = (key: string): Sha256 | null => (key === '' ? null : digest(key));

/** A title made fit for comparing: NFKC, case-folded, white space collapsed. */
export const titleKey = (title: string): string =>
  folded(title)
    .replace(/[\s\u200b\ufeff]+/gu, ' ')
    .trim();

/** Text on one line, cut at a word where it is longer than `most` characters. */
export function excerpt(text: string, most = 160): string {
  const line = text.replace(/\s+/gu, ' ').trim();
  if (line.length <= most) return line;
  const cut = line.slice(0, most);
  return `${cut.slice(0, Math.max(cut.lastIndexOf(' '), most - 30))} …`;
}

/** True where a title, or a file's name before its extension, carries the mark of a copy. */
export function hasCopyMark(name: string): boolean {
  const bare = name.replace(/\.[a-z0-9]{1,5}$/i, '').trim();
  return english.copyTitle.some((mark) => mark.test(bare));
}
