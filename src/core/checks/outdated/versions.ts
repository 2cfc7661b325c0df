import type { Language } from '@/core/text/language';
import type { NamedTerm } from '@/core/text/named-terms';
import { namedTerms } from '@/core/text/named-terms';

/** What a name says about its version. */
export interface Version {
  /** Numbers of v2 or v1.3; letters of rev B count as 1, 2 … */
  readonly numbers: readonly number[];
  /** A year, or a year, month and day: `2025` or `2025-09-14`. */
  readonly date: string | null;
  /** −1 for draft and old, 1 for final, new and revised, 0 where nothing is said. */
  readonly word: -1 | 0 | 1;
  /** The marks as they are written; empty where there are none. */
  readonly marks: string;
}

const oldWords = /^(?:draft|old|outdated|superseded|deprecated|obsolete|previous)$/i;
const dated = /(?<![\d.])((?:19|20)\d{2})(?:[\s-](0[1-9]|1[0-2])[\s-](0[1-9]|[12]\d|3[01]))?(?![\d.])/g;

/** A name without its marks of a version, and what they say. */
export function versionOf(name: string, language: Language): { base: string; version: Version } {
  const marks: string[] = [];
  let numbers: number[] = [];
  let date: string | null = null;
  let word: Version['word'] = 0;
  let rest = name.normalize('NFKC').replace(language.versionWords, (mark) => {
    marks.push(mark.trim());
    const digits = /\d+(?:\.\d+)*/.exec(mark)?.[0];
    const letter = /^rev/i.test(mark) ? /\b([A-Z])$/.exec(mark)?.[1] : undefined;
    if (digits) numbers = digits.split('.').map(Number);
    else if (letter) numbers = [letter.charCodeAt(0) - 64];
    else word = oldWords.test(mark.trim()) ? -1 : 1;
    return ' ';
  });
  for (const term of [...namedTerms(rest, language)].reverse()) {
    const { means } = term;
    date = sortedDate(means);
    marks.push(term.says);
    rest = `${rest.slice(0, term.start)} ${rest.slice(term.end)}`;
  }
  rest = rest.replace(dated, (mark, year: string, month?: string, day?: string) => {
    marks.push(mark);
    date ??= month && day ? `${year}-${month}-${day}` : year;
    return ' ';
  });
  const base = rest.replace(/[\s,;:()[\]–—-]+/g, ' ').trim();
  // A bare number is no name: everything else could be its version.
  return {
    base: /\p{L}{3}/u.test(base) ? base : '',
    version: { numbers, date, word, marks: marks.join(', ') },
  };
}

const seasonMonth = { winter: 1, spring: 3, summer: 6, autumn: 9 } as const;

/** Below nought where `a` is the older one; nought where nothing tells. */
export function compareVersions(a: Version, b: Version): number {
  if (a.date !== null && b.date !== null && a.date !== b.date) return a.date < b.date ? -1 : 1;
  if (a.word !== b.word) return a.word < b.word ? -1 : 1;
  if (a.numbers.length || b.numbers.length) {
    // Without a number it is the first version.
    const [x, y] = [a.numbers.length ? a.numbers : [1], b.numbers.length ? b.numbers : [1]];
    for (let i = 0; i < Math.max(x.length, y.length); i += 1)
      if ((x[i] ?? 0) !== (y[i] ?? 0)) return (x[i] ?? 0) - (y[i] ?? 0);
  }
  // Beside one without a date, a dated one is the copy put aside.
  if ((a.date === null) !== (b.date === null)) return a.date === null ? 1 : -1;
  return 0;
}

/** A term as a text that sorts by time: its year, and a month where one is known. */
function sortedDate(means: NamedTerm['means']): string {
  if (means.kind === 'season') return `${means.year}-${String(seasonMonth[means.season]).padStart(2, '0')}`;
  if (means.kind === 'numbered') return `${means.year}-${String(means.number * 3).padStart(2, '0')}`;
  return String(means.from);
}
