import type { Term } from '@/core/shell/model';
import { daysBetween, isoWeekday, addDays, type LocalDate } from '@/core/dates/local-date';

/** Where a day stands to a term: how many days before its first or after its last day; both end days are inside. */
export type TermSide =
  | { readonly side: 'inside' }
  | { readonly side: 'before'; readonly days: number }
  | { readonly side: 'after'; readonly days: number };

export function sideOfTerm(day: LocalDate, term: Term): TermSide {
  if (term.start && day < term.start) return { side: 'before', days: daysBetween(day, term.start) };
  if (term.end && day > term.end) return { side: 'after', days: daysBetween(term.end, day) };
  return { side: 'inside' };
}

/** The Monday on or before a day. */
export const mondayOf = (day: LocalDate): LocalDate => addDays(day, 1 - isoWeekday(day));

/** The calendar week of the term that a day is in, 1 for the week of its first day; null outside the term. */
export function weekOfTerm(day: LocalDate, term: Term): number | null {
  if (!term.start || !term.end || day < term.start || day > term.end) return null;
  return Math.floor(daysBetween(mondayOf(term.start), day) / 7) + 1;
}
