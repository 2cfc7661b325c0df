import { bad, good, type Result } from '@/core/shell/result';
import { addDays, daysBetween, parseLocalDate, type LocalDate } from '@/core/dates/local-date';

/** No list of days without class is longer than this; a range that is was mistyped. */
const mostDays = 1000;

/** Reads single days and ranges, ends included: `2027-03-15..2027-03-19, 2027-04-02`. The trouble says which part is wrong. */
export function readDayList(text: string): Result<LocalDate[]> {
  const days: LocalDate[] = [];
  for (const part of text
    .split(',')
    .map((p) => p.trim())
    .filter((p) => p !== '')) {
    const [from = '', to] = part.split('..').map((p) => p.trim());
    for (const one of to === undefined ? [from] : [from, to])
      if (!parseLocalDate(one)) return bad('no-day', `“${one}” is no day; write it as 2027-01-11.`);
    const first = from as LocalDate;
    const last = (to ?? from) as LocalDate;
    if (last < first) return bad('range-backwards', `“${part}” ends before it begins.`);
    if (daysBetween(first, last) >= mostDays)
      return bad('range-long', `“${part}” is longer than ${mostDays} days.`);
    for (let day = first; day <= last; day = addDays(day, 1)) days.push(day);
  }
  return good([...new Set(days)].sort());
}

/** Writes days as `readDayList` reads them, neighbours as a range. */
export function spellDayList(days: readonly LocalDate[]): string {
  const ranges: { first: LocalDate; last: LocalDate }[] = [];
  for (const day of [...new Set(days)].sort()) {
    const open = ranges.at(-1);
    if (open && addDays(open.last, 1) === day) open.last = day;
    else ranges.push({ first: day, last: day });
  }
  return ranges.map(({ first, last }) => (first === last ? first : `${first}..${last}`)).join(', ');
}
