import { parseLocalDate, type LocalDate } from '@/core/dates/local-date';

/** A day of the scenario, as it is written: `2027-01-11`. Throws where there is no such day. */
export function day(text: string): LocalDate {
  const parsed = parseLocalDate(text);
  if (!parsed) throw new Error(`“${text}” is no day`);
  return parsed;
}
