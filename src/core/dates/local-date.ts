/** A calendar day in the shell's own time zone, `YYYY-MM-DD` (ISO 8601-1, 5.2.2.1). */
export type LocalDate = string & { readonly __localDate: true };
/** A moment on the shell's own clock without an offset, `YYYY-MM-DDTHH:mm:ss` (ISO 8601-1, 5.4.2). */
export type LocalDateTime = string & { readonly __localDateTime: true };

const datePattern = /^(\d{4})-(\d{2})-(\d{2})$/;
const millisecondsPerDay = 86_400_000;

/** Reads `YYYY-MM-DD`; null for anything that is no day of the calendar. */
export function parseLocalDate(text: string): LocalDate | null {
  const match = datePattern.exec(text.trim());
  if (!match) return null;
  const [year, month, day] = [Number(match[1]), Number(match[2]), Number(match[3])];
  const date = new Date(Date.UTC(year, month - 1, day));
  return date.getUTCFullYear() === year && date.getUTCMonth() === month - 1 && date.getUTCDate() === day
    ? (match[0] as LocalDate)
    : null;
}

export const dateOf = (when: LocalDateTime): LocalDate => when.slice(0, 10) as LocalDate;
export const timeOf = (when: LocalDateTime): string => when.slice(11, 16);
export const atTime = (day: LocalDate, time: string): LocalDateTime =>
  `${day}T${time.length === 5 ? `${time}:00` : time}` as LocalDateTime;

/** Days since 1970-01-01. */
export function dayNumber(day: LocalDate): number {
  const { year, month, date } = partsOf(day);
  return Date.UTC(year, month - 1, date) / millisecondsPerDay;
}
const partsOf = (day: LocalDate) => ({
  year: Number(day.slice(0, 4)),
  month: Number(day.slice(5, 7)),
  date: Number(day.slice(8, 10)),
});
export const dayFromNumber = (n: number): LocalDate =>
  new Date(n * millisecondsPerDay).toISOString().slice(0, 10) as LocalDate;
export const addDays = (day: LocalDate, days: number): LocalDate => dayFromNumber(dayNumber(day) + days);
/** Whole calendar days from `a` to `b`; negative where `b` is earlier. */
export const daysBetween = (a: LocalDate, b: LocalDate): number => dayNumber(b) - dayNumber(a);
/** ISO weekday, 1 Monday to 7 Sunday (ISO 8601-1, 3.1.2.7). */
export const isoWeekday = (day: LocalDate): number => ((((dayNumber(day) + 3) % 7) + 7) % 7) + 1;

const months = 'January February March April May June July August September October November December'.split(
  ' ',
);
/** Days of the week as ISO 8601 counts them: Monday is the first. */
export const weekdays: readonly string[] = 'Monday Tuesday Wednesday Thursday Friday Saturday Sunday'.split(
  ' ',
);
/** A day as a person writes it: `14 October 2025`. */
export function spellDate(day: LocalDate): string {
  const { year, month, date } = partsOf(day);
  return `${date} ${months[month - 1]} ${year}`;
}
/** A day with its weekday as it stands in a row: `Fri 29 Jan 2027`. */
export function spellShortDay(day: LocalDate): string {
  const { year, month, date } = partsOf(day);
  return `${spellWeekday(day).slice(0, 3)} ${date} ${months[month - 1]?.slice(0, 3)} ${year}`;
}
export const spellWeekday = (day: LocalDate): string => weekdays[isoWeekday(day) - 1] ?? '';
