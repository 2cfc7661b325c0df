import { elementAt } from '@/core/sure';
import { courseCodes, type CourseCode } from './course-codes';
import { english } from './english';
import { namedDates, type NamedDate } from './named-dates';
import { namedTerms, type NamedTerm } from './named-terms';
import type { TextMark } from './scan-html';
import { Cues } from './shingles';
import type { Stretch } from './stretches';

/** What checks look for in every text, found when the text is read. Whether it means anything is for the checks. */
export interface Mentions {
  /** Days that the text names. */
  readonly dates: readonly NamedDate[];
  /** Academic terms and years. */
  readonly terms: readonly NamedTerm[];
  /** What looks like text meant for the teacher. */
  readonly placeholders: readonly Stretch[];
  /** What looks like the code of a course in the first heading. */
  readonly courses: readonly CourseCode[];
}
/** More mentions than this in one text are no course's: what is said by then is enough to say it of the text. */
export const mostMentions = 2000;

const none: Mentions = { dates: [], terms: [], placeholders: [], courses: [] };

const month = 1;
const term = 2;
const placeholder = 4;
const pairs = english.placeholderCues.pairs.map((_, i) => [8 << (2 * i), 16 << (2 * i)] as const);
/** Figures with a sign between them, as in 2025-10-14, 3/4/2026 and 2023-24. */
const figures = /\d\s?[-–/.]\s?\d/;

/** The words without which a text mentions nothing: a quick look for all of them saves most texts from the patterns. */
export const mentionCues: Cues = new Cues()
  .markWords(Object.keys(english.months), month)
  .markWords([...Object.keys(english.seasons), ...english.termWords], term)
  .markWords(english.placeholderCues.words, placeholder)
  .markChars(english.placeholderCues.chars, placeholder);
english.placeholderCues.pairs.forEach(([first, second], i) =>
  mentionCues.markWords(first, elementAt(pairs, i)[0]).markWords(second, elementAt(pairs, i)[1]),
);

/** `cues` are those of the text’s words. */
export function mentionsIn(text: string, marks: readonly TextMark[], cues: number): Mentions {
  const inFigures = figures.test(text);
  const dates = cues & month || inFigures ? namedDates(text, english).slice(0, mostMentions) : [];
  const terms = cues & term || inFigures ? namedTerms(text, english).slice(0, mostMentions) : [];
  const mayHold = cues & placeholder || pairs.some(([first, second]) => cues & first && cues & second);
  const placeholders = mayHold ? stretchesOf(text, english.placeholder) : [];
  const heading = firstHeading(marks);
  const courses = heading ? courseCodes(text.slice(0, heading.end), heading.start) : [];
  return dates.length + terms.length + placeholders.length + courses.length === 0
    ? none
    : { dates, terms, placeholders, courses };
}

/** Where a pattern is found in a text. */
export function stretchesOf(text: string, pattern: RegExp): Stretch[] {
  const found: Stretch[] = [];
  for (const match of text.matchAll(pattern)) {
    found.push({ start: match.index, end: match.index + match[0].length });
    if (found.length === mostMentions) break;
  }
  return found;
}

/** Of marks in the order in which they end, the heading that begins first. */
function firstHeading(marks: readonly TextMark[]): TextMark | null {
  let first: TextMark | null = null;
  for (const mark of marks)
    if (mark.is === 'heading' && (first === null || mark.start < first.start)) first = mark;
  return first;
}
