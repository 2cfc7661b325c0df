import { atTime, parseLocalDate, type LocalDateTime } from '@/core/dates/local-date';

/** In which order a reader writes day, month and year in figures. */
export type DayOrder = 'dmy' | 'mdy' | 'ymd';

/** What a typed moment says; or one sentence why it says none. */
export type ReadMoment =
  { readonly ok: true; readonly value: LocalDateTime } | { readonly ok: false; readonly trouble: string };

const trouble = (sentence: string): ReadMoment => ({ ok: false, trouble: sentence });

/**
 * Reads a moment as people write it: `2027-01-13`, `13/1/2027 23:59`, `Wed, 01/13/2027, 11:59 PM`. A weekday is not
 * held against the day. Without a time it is the one given; a year has four digits.
 */
export function readMoment(text: string, order: DayOrder, usualTime: string): ReadMoment {
  const figures = text.match(/\d+/g) ?? [];
  if (figures.length < 3) return trouble(`“${text}” is no date; write it as 2027-01-13 or 2027-01-13 23:59.`);
  const day = readDay(figures, order);
  if (day === null) return trouble(`“${text}” is no day of the calendar; write the year with four digits.`);
  if (figures.length === 3) return { ok: true, value: atTime(day, usualTime) };
  const time = readTime(figures.slice(3), text);
  if (time === null) return trouble(`“${text}” has no time of the day; write it as 23:59.`);
  return { ok: true, value: atTime(day, time) };
}

function readDay([a = '', b = '', c = '']: readonly string[], order: DayOrder) {
  const [year, month, day] = inOrder([a, b, c], a.length === 4 ? 'ymd' : order);
  if (year.length !== 4) return null;
  return parseLocalDate(`${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`);
}

type Three = readonly [year: string, month: string, day: string];

function inOrder([a, b, c]: readonly [string, string, string], order: DayOrder): Three {
  switch (order) {
    case 'ymd':
      return [a, b, c];
    case 'dmy':
      return [c, b, a];
    case 'mdy':
      return [c, a, b];
  }
}

/** `11:59 PM` as `23:59:00`; null where there is no such time. */
function readTime(
  [hours = '', minutes = '0', seconds = '0']: readonly string[],
  text: string,
): string | null {
  const half = /(?:^|[^\p{L}])([ap])\.?\s?m\b/iu.exec(text)?.[1]?.toLowerCase();
  let hour = Number(hours);
  if (half !== undefined && (hour < 1 || hour > 12)) return null;
  if (half !== undefined) hour = (hour % 12) + (half === 'p' ? 12 : 0);
  if (hour > 23 || Number(minutes) > 59 || Number(seconds) > 59) return null;
  return [hour, Number(minutes), Number(seconds)].map((part) => String(part).padStart(2, '0')).join(':');
}
