import { mostMentions } from './mentions';
import { escapePattern } from './escape-pattern';
import type { Stretch } from './stretches';

/** A text as it is searched, and of each of its characters the place in the text that it came from. */
interface Folded {
  readonly text: string;
  readonly places: readonly number[] | null;
}

const isAscii = (text: string): boolean => /^[\x00-\x7f]*$/.test(text);

/** NFKD and full case folding, sign by sign, so that each sign of the result has its place in the text. */
function fold(text: string): Folded {
  if (isAscii(text)) return { text: text.toLowerCase(), places: null };
  let folded = '';
  const places: number[] = [];
  let at = 0;
  for (const sign of text) {
    const written = sign === 'ı' ? sign : sign.normalize('NFKD').toUpperCase().toLowerCase();
    for (let n = 0; n < written.length; n += 1) places.push(at);
    folded += written;
    at += sign.length;
  }
  places.push(at);
  return { text: folded.replaceAll('ς', 'σ'), places };
}

/**
 * Finds phrases as whole words, whatever their case, width and white space; null for an empty list. Case is folded in
 * full: `STRASSE` is found by `Straße` (Unicode Standard, 3.13, D144).
 */
export function phraseFinder(phrases: readonly string[]): ((text: string) => Stretch[]) | null {
  const parts = phrases
    .map((phrase) => fold(phrase.trim()).text)
    .filter((phrase) => phrase !== '')
    .sort((a, b) => b.length - a.length)
    .map((phrase) => escapePattern(phrase).replace(/\s+/gu, '\\s+'));
  if (parts.length === 0) return null;
  const pattern = new RegExp(`(?<![\\p{L}\\p{N}\\p{M}])(?:${parts.join('|')})(?![\\p{L}\\p{N}\\p{M}])`, 'gu');
  return (text) => {
    const { text: folded, places } = fold(text);
    const found: Stretch[] = [];
    for (const { index, 0: said } of folded.matchAll(pattern)) {
      const end = index + said.length;
      found.push({ start: places?.[index] ?? index, end: places?.[end] ?? end });
      if (found.length === mostMentions) break;
    }
    return found;
  };
}
