import { english } from './english';
import { wordCodes } from './shingles';

/** NFKC and case-folded; plain ASCII is in that form already but for its capitals. */
const folded = (text: string): string => (/^[\x00-\x7f]*$/.test(text) ? text : text.normalize('NFKC')).toLowerCase();

/** Text made fit for comparing: NFKC, case-folded, every kind of white space taken out. */
export const textKey = (text: string): string => folded(text).replace(/[\s\u200b\ufeff]+/gu, '');

/** A title made fit for comparing: NFKC, case-folded, white space collapsed. */
export const titleKey = (title: string): string =>
  folded(title).replace(/[\s\u200b\ufeff]+/gu, ' ').trim();

/** How many words a text has; a word is a run of letters and digits. */
export const countWords = (text: string): number => wordCodes(text).length;

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
