import { entryOf } from '@/core/entries';
import type { Language } from './language';

/** A day named in a text. Without a year `year` is null; a date in figures that can be read two ways has two readings. */
export interface NamedDate {
  readonly start: number;
  readonly end: number;
  readonly says: string;
  readonly weekday: number | null;
  readonly readings: readonly DayReading[];
}
export interface DayReading {
  readonly year: number | null;
  readonly month: number;
  readonly day: number;
}

interface Patterns {
  readonly month: RegExp;
  readonly dayBefore: RegExp;
  readonly weekdayBefore: RegExp;
  readonly weekdayAfter: RegExp;
}
const patternsByLanguage = new WeakMap<Language, Patterns>();

/** What may stand between a weekday and the date behind it: “Monday, the 12th”, “(Monday) 12”, “Monday (12”. */
const toDate = '\\)?(?:,?\\s+(?:the\\s+)?|\\s*)\\(?';

function patternsOf(language: Language): Patterns {
  const known = patternsByLanguage.get(language);
  if (known) return known;
  const names = (words: Readonly<Record<string, number>>) =>
    Object.keys(words).sort((a, b) => b.length - a.length);
  const capital = (word: string) =>
    `${word.charAt(0).toUpperCase()}(?:${word.slice(1)}|${word.slice(1).toUpperCase()})`;
  const short = names(language.weekdays)
    .filter((n) => n.length < 6)
    .map(capital)
    .join('|');
  // Only a short form has a full stop behind it.
  const weekday = `${names(language.weekdays)
    .filter((n) => n.length >= 6)
    .map(capital)
    .join('|')}|(?:${short})\\.?`;
  const patterns = {
    month: new RegExp(
      `(?<![\\p{L}\\p{N}])(${names(language.months).map(capital).join('|')})(?![\\p{L}])\\.?`,
      'gu',
    ),
    dayBefore: new RegExp(
      `(?:(?<![\\p{L}])(${weekday})${toDate})?(?<![\\p{N}.,:/-])(\\d{1,2})(?:st|nd|rd|th)?(?:[\\s\\u00a0]+(?:of\\s+)?|-)$`,
      'u',
    ),
    weekdayBefore: new RegExp(`(?<![\\p{L}])(${weekday})${toDate}$`, 'u'),
    // In brackets, or as “a Sunday”; plain, only where the phrase ends behind it.
    weekdayAfter: new RegExp(
      `^(?:(?:\\s*\\(\\s*|,?\\s+a\\s+)(${weekday})(?![\\p{L}])|,?\\s+(${weekday})(?=\\s*(?:[).;:!?,\\n]|$)))`,
      'u',
    ),
  };
  patternsByLanguage.set(language, patterns);
  return patterns;
}

const dayAfter = /^(?:[\s\u00a0]+|-)(\d{1,2})(?:st|nd|rd|th)?(?![\d%]|[:.,]\d)(?:\s*[-–]\s*\d{1,2}(?!\d))?/;
const yearAfter = /^(?:,?[\s\u00a0]+|-)((?:19|20)\d{2})(?![\d])/;
const figures =
  /(?<![\d./-])(?:((?:19|20)\d{2})-(\d{2})-(\d{2})(?!\d|-\d)|(\d{1,2})([/.])(\d{1,2})\5((?:19|20)\d{2}|\d{2})(?![\d/]|\.\d)|(\d{1,2})(-)(\d{1,2})-((?:19|20)\d{2})(?!\d|-\d))/g;
const longest = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
const isDay = (month: number, day: number) =>
  month >= 1 && month <= 12 && day >= 1 && day <= (longest[month - 1] ?? 0);

/** Finds the days that a text names, in order: “Tuesday, 14 October 2025”, “Oct. 14th”, 2025-10-14, 14/10/2025. */
export function namedDates(text: string, language: Language): NamedDate[] {
  const patterns = patternsOf(language);
  const found: NamedDate[] = [];
  let end = 0;
  for (const match of text.matchAll(patterns.month)) {
    const at = match.index;
    if (at < end) continue;
    const after = at + match[0].length;
    const month = entryOf(language.months, (match[1] ?? '').toLowerCase());
    if (month === undefined) continue;
    const named = spelledDate(text, at, after, month, patterns, language);
    if (!named) continue;
    found.push(named);
    end = named.end;
  }
  if (/\d[-/.]\d/.test(text))
    for (const match of text.matchAll(figures)) {
      const named = datedInFigures(text, match, patterns, language);
      if (named) found.push(named);
    }
  return found.sort((a, b) => a.start - b.start);
}

function spelledDate(
  text: string,
  at: number,
  after: number,
  month: number,
  patterns: Patterns,
  language: Language,
): NamedDate | null {
  const head = text.slice(Math.max(0, at - 32), at);
  const tail = text.slice(after, after + 32);
  const before = patterns.dayBefore.exec(head);
  let weekday: string | undefined;
  let day: number;
  let start = at;
  let end = after;
  if (
    before &&
    isDay(month, Number(before[2])) &&
    !language.numberedThings.test(
      head.slice(0, head.length - before[0].length + (before[1] ? before[0].indexOf(before[2] ?? '') : 0)),
    )
  ) {
    weekday = before[1];
    day = Number(before[2]);
    start = at - before[0].length;
  } else {
    const behind = dayAfter.exec(tail);
    if (!behind || !isDay(month, Number(behind[1]))) return null;
    day = Number(behind[1]);
    end = after + behind[0].length;
    const named = patterns.weekdayBefore.exec(head);
    if (named) {
      weekday = named[1];
      start = at - named[0].length;
    }
  }
  const year = yearAfter.exec(text.slice(end, end + 8));
  if (year) end += year[0].length;
  const behind = weekday === undefined ? weekdayBehind(text, end, patterns) : null;
  if (behind) {
    weekday = behind.name;
    end = behind.end;
  }
  return {
    start,
    end,
    says: text.slice(start, end).trim(),
    weekday: weekdayNumber(weekday, language),
    readings: [{ year: year ? Number(year[1]) : null, month, day }],
  };
}

/** The weekday that follows a date, in brackets or not, and where it ends. */
function weekdayBehind(
  text: string,
  end: number,
  patterns: Patterns,
): { readonly name: string | undefined; readonly end: number } | null {
  const match = patterns.weekdayAfter.exec(text.slice(end, end + 24));
  return match ? { name: match[1] ?? match[2], end: end + match[0].length } : null;
}

const weekdayNumber = (name: string | undefined, language: Language): number | null =>
  name === undefined ? null : (entryOf(language.weekdays, name.toLowerCase().replace('.', '')) ?? null);

function datedInFigures(
  text: string,
  match: RegExpExecArray,
  patterns: Patterns,
  language: Language,
): NamedDate | null {
  const [whole, y, m, d] = match;
  // With hyphens the year is written in full: three short figures are no day.
  const [first, mark, second, written = ''] = match[4] === undefined ? match.slice(8, 12) : match.slice(4, 8);
  const readings: DayReading[] = [];
  if (y !== undefined) {
    if (isDay(Number(m), Number(d))) readings.push({ year: Number(y), month: Number(m), day: Number(d) });
  } else {
    if (mark === '.' && written.length === 2) return null;
    const year = written.length === 2 ? 2000 + Number(written) : Number(written);
    const [a, b] = [Number(first), Number(second)];
    if (isDay(b, a)) readings.push({ year, month: b, day: a });
    if (mark !== '.' && a !== b && isDay(a, b)) readings.push({ year, month: a, day: b });
  }
  if (!readings.length) return null;
  const head = text.slice(Math.max(0, match.index - 24), match.index);
  const before = patterns.weekdayBefore.exec(head);
  const start = before ? match.index - before[0].length : match.index;
  const behind = before ? null : weekdayBehind(text, match.index + whole.length, patterns);
  const end = behind?.end ?? match.index + whole.length;
  return {
    start,
    end,
    says: text.slice(start, end).trim(),
    weekday: weekdayNumber(before?.[1] ?? behind?.name, language),
    readings,
  };
}
