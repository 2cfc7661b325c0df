import type { Term } from './model';
import { cutQuote } from '@/core/text/clip';
import { daysBetween, parseLocalDate } from '@/core/dates/local-date';

/** The longest term that is read, in days: three years. What is longer was mistyped, and each of its weeks is worked out. */
export const longestTerm = 3 * 366;

type TermSpan = Readonly<Record<'start' | 'end', string | null>>;

/** What is wrong with the two days of a term, as the end of a sentence that begins with the term; null where nothing is. */
export function termFault({ start, end }: TermSpan): string | null {
  const [first, last] = [dayOf(start), dayOf(end)];
  const undated = [start, end].find((text): text is string => text !== null && parseLocalDate(text) === null);
  if (undated !== undefined) return `has the day “${cutQuote(undated)}”, which no calendar has`;
  if (first === null || last === null) return null;
  if (last < first) return `ends on ${last}, before it begins on ${first}`;
  const days = daysBetween(first, last) + 1;
  return days > longestTerm
    ? `lasts ${days.toLocaleString('en')} days, from ${first} to ${last}; terms of up to three years are read`
    : null;
}

const dayOf = (text: string | null) => (text === null ? null : parseLocalDate(text));

/** The term without its days, where these can't be true, and what is wrong with them. */
export function believableTerm<T extends Term | null>(
  term: T,
): { readonly term: T; readonly fault: string | null } {
  const fault = term === null ? null : termFault(term);
  return { term: fault === null || term === null ? term : { ...term, start: null, end: null }, fault };
}
