import { spellDate, type LocalDate } from '@/core/dates/local-date';

/** Dates in order, as evidence tells them: the one, or how many there are from which to which. */
export function sayDates(dates: readonly LocalDate[]): string {
  const [first, ...others] = dates;
  const last = others.at(-1);
  if (first === undefined) return 'none';
  return last === undefined
    ? spellDate(first)
    : `${dates.length}, from ${spellDate(first)} to ${spellDate(last)}`;
}
