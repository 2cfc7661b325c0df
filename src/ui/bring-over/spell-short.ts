import { parseLocalDate, spellShortDay } from '@/core/dates/local-date';

/** The day of a date as files write it; what is no day stays as it is written. */
export function spellShortMoment(when: string): string {
  const day = parseLocalDate(when.slice(0, 10));
  return day === null ? when : spellShortDay(day);
}
