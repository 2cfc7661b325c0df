import { entryOf } from '@/core/entries';
import type { Language, Season } from './language';

/** An academic term or year named in a text. */
export interface NamedTerm {
  readonly start: number;
  readonly end: number;
  readonly says: string;
  readonly means: TermMeaning;
}
export type TermMeaning =
  | { readonly kind: 'season'; readonly season: Season; readonly year: number }
  | { readonly kind: 'numbered'; readonly word: string; readonly number: number; readonly year: number }
  /** An academic year, by the calendar year in which it begins. */
  | { readonly kind: 'year'; readonly from: number };

interface Patterns {
  readonly season: RegExp;
  readonly yearFirst: RegExp;
  readonly numbered: RegExp;
  readonly hint: RegExp;
}
const patternsByLanguage = new WeakMap<Language, Patterns>();

function patternsOf(language: Language): Patterns {
  const known = patternsByLanguage.get(language);
  if (known) return known;
  const seasons = Object.keys(language.seasons).join('|');
  const terms = language.termWords.join('|');
  const patterns = {
    season: new RegExp(
      `(?<![\\p{L}])(${seasons})(\\s+(?:${terms}|session|class))?\\s*(?:of\\s+)?,?\\s*(?:['’‘](\\d{2})|((?:19|20)\\d{2})(?:\\s*[-–/]\\s*(\\d{2}|20\\d{2}))?|(\\d{2}))(?![\\d])(?!\\s?(?:[-–:]\\s?\\d|[%°]|/\\d))`,
      'giu',
    ),
    yearFirst: new RegExp(
      `(?<![\\d-])((?:19|20)\\d{2})\\s+(${seasons})(?:\\s+(${terms}))?(?![\\p{L}])`,
      'giu',
    ),
    numbered: new RegExp(
      `(?<![\\p{L}])(?:(${terms})\\s*([1-4])|(first|second|third|fourth|1st|2nd|3rd|4th)\\s+(${terms}))\\s*(?:of\\s+|,\\s*)?((?:19|20)\\d{2})(?!\\d)|(?<![\\d-])((?:19|20)\\d{2})[\\s,]+(${terms})\\s*([1-4])(?!\\d)`,
      'giu',
    ),
    // Asked of every text of a shell: with the letters spelled out it is several times quicker than without regard to case.
    hint: new RegExp(
      `${[...Object.keys(language.seasons), ...language.termWords].map(anyCapitals).join('|')}|(?:19|20)\\d{2}\\s?[-–/]\\s?\\d{2}`,
    ),
  };
  patternsByLanguage.set(language, patterns);
  return patterns;
}

/** A pattern for a word written small, with a capital, or in capitals. */
const anyCapitals = (word: string): string =>
  `[${word.charAt(0)}${word.charAt(0).toUpperCase()}](?:${word.slice(1)}|${word.slice(1).toUpperCase()})`;

const isSmall = (name: string): boolean => name.charAt(0) === name.charAt(0).toLowerCase();

const yearRange = /(?<![\d./-])((?:19|20)\d{2})\s?[-–/]\s?(\d{2}|(?:19|20)\d{2})(?![\d]|[-–/.]\d)/g;

/**
 * Finds the academic terms and years that a text names: “Spring 2025”, “Fall ’24”, “Winter 21”, “Semester 1, 2025”,
 * “2023-24”, “AY 2024/25”. A range of years counts only where the second follows the first. In names (`isName`:
 * titles, names of files) a season names a term also in small letters.
 */
export function namedTerms(text: string, language: Language, isName = false): NamedTerm[] {
  const patterns = patternsOf(language);
  if (!patterns.hint.test(text)) return [];
  const found: NamedTerm[] = [];
  const add = (match: RegExpExecArray, means: TermMeaning) => {
    const end = match.index + match[0].length;
    found.push({ start: match.index, end, says: match[0].trim(), means });
  };
  for (const match of text.matchAll(patterns.season)) {
    const [, name = '', termWord, apostrophe, full, second, bare] = match;
    const season = entryOf(language.seasons, name.toLowerCase());
    if (season === undefined) continue;
    // A season of nature is written small; a term has a capital, or the word for a term behind it.
    const capital = !isSmall(name);
    if (
      bare !== undefined &&
      (!capital ||
        language.unitAfter.test(
          text.slice(match.index + match[0].length, match.index + match[0].length + 12),
        ))
    )
      continue;
    if (!capital && !isName && termWord === undefined && apostrophe === undefined) {
      if (full === undefined || /\p{L}/u.test(text.slice(0, match.index))) continue;
    }
    const first = full !== undefined ? Number(full) : 2000 + Number(apostrophe ?? bare);
    const year = second !== undefined && season === 'winter' ? first + 1 : first;
    add(match, { kind: 'season', season, year });
  }
  for (const match of text.matchAll(patterns.yearFirst)) {
    const [, year, name = '', termWord] = match;
    const season = entryOf(language.seasons, name.toLowerCase());
    if (season === undefined || (!isName && isSmall(name) && termWord === undefined)) continue;
    add(match, { kind: 'season', season, year: Number(year) });
  }
  for (const match of text.matchAll(patterns.numbered)) {
    const word = (match[1] ?? match[4] ?? match[7] ?? '').toLowerCase();
    const ordinal = match[3]?.toLowerCase();
    const number = ordinal === undefined ? Number(match[2] ?? match[8]) : entryOf(language.ordinals, ordinal);
    if (number === undefined) continue;
    add(match, { kind: 'numbered', word, number, year: Number(match[5] ?? match[6]) });
  }
  for (const match of text.matchAll(yearRange)) {
    const [, first, last = ''] = match;
    const from = Number(first);
    const to = last.length === 2 ? Math.floor(from / 100) * 100 + Number(last) : Number(last);
    if (to === from + 1 || (from % 100 === 99 && to % 100 === 0)) add(match, { kind: 'year', from });
  }
  // Of two that share a place the longer one means it: “Winter 2025-26” is no range of years.
  const apart: NamedTerm[] = [];
  for (const term of found.sort((a, b) => a.start - b.start || b.end - a.end))
    if (term.start >= (apart.at(-1)?.end ?? 0)) apart.push(term);
  return apart;
}

/** Short forms in titles and file names: F24, SP25. One letter counts for ten years back only, since F12 is a key and S3 a site. */
export function shortTerms(name: string, language: Language, thisYear: number): NamedTerm[] {
  if (!/[A-Z]\s?['’]?\d\d/.test(name)) return [];
  const found: NamedTerm[] = [];
  for (const match of name.matchAll(/(?<![\p{L}\p{N}])([A-Z]{1,2})\s?['’]?(20)?(\d{2})(?![\p{L}\p{N}])/gu)) {
    const [, mark = '', , ending] = match;
    const season = entryOf(language.seasonMarks, mark);
    const year = 2000 + Number(ending);
    if (!season || year > thisYear + 1 || year < thisYear - (mark.length === 1 ? 10 : 20)) continue;
    found.push({
      start: match.index,
      end: match.index + match[0].length,
      says: match[0],
      means: { kind: 'season', season, year },
    });
  }
  return found;
}
