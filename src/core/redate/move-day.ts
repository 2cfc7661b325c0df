import { addDays, daysBetween, isoWeekday, type LocalDate } from '@/core/dates/local-date';
import { mondayOf } from '@/core/time/term';
import type { RedateAsk, Rule, WeekdayMap } from './ask';
import type { TeachingWeeks } from './teaching-weeks';

/** Days that lie farther outside the old term than this stay where they are. */
export const nearTerm = 14;

/** Where a day goes. */
export interface MovedDay {
  readonly day: LocalDate;
  /** It lay in a week without class of the old term (week and weekday only). */
  readonly inBreak: boolean;
  /** It lies outside the old term and keeps its distance to the new one. */
  readonly keepsDistance: boolean;
}

export interface DayOptions {
  readonly map: WeekdayMap;
  readonly avoidNoClass: RedateAsk['avoidNoClass'];
}

/** How many days a day lies before the first (negative) or behind the last day of the old term; 0 inside it. */
function distanceTo(day: LocalDate, { start, end }: TeachingWeeks['term']): number {
  if (day < start) return -daysBetween(day, start);
  return day > end ? daysBetween(end, day) : 0;
}

/** Does a day lie so far outside the old term that it stays? Only the modes that know two terms ask. */
export const isFarOutside = (day: LocalDate, rule: Rule): boolean =>
  (rule.mode === 'week-and-weekday' || rule.mode === 'spread') &&
  Math.abs(distanceTo(day, rule.from.term)) > nearTerm;

/** The new day of a day, far outside or not; null where dates are cleared. */
export function moveDay(day: LocalDate, rule: Rule, options: DayOptions): MovedDay | null {
  const moved = firstPlace(day, rule, options.map);
  if (moved === null) return null;
  return { ...moved, day: avoided(moved.day, rule.to, options.avoidNoClass) };
}

function firstPlace(day: LocalDate, rule: Rule, map: WeekdayMap): MovedDay | null {
  switch (rule.mode) {
    case 'clear':
      return null;
    case 'to-date':
      return plainly(mapped(rule.date, isoWeekday(day), map));
    case 'shift':
      return plainly(mapped(addDays(day, rule.days), isoWeekday(day), map));
    case 'week-and-weekday':
    case 'spread':
      return inOtherTerm(day, rule, map);
  }
}

const plainly = (day: LocalDate): MovedDay => ({ day, inBreak: false, keepsDistance: false });

function inOtherTerm(
  day: LocalDate,
  rule: Extract<Rule, { readonly from: TeachingWeeks }>,
  map: WeekdayMap,
): MovedDay {
  const distance = distanceTo(day, rule.from.term);
  if (distance !== 0) {
    const anchor = distance < 0 ? rule.to.term.start : rule.to.term.end;
    return { day: addDays(anchor, distance), inBreak: false, keepsDistance: true };
  }
  const weekday = isoWeekday(day);
  if (rule.mode === 'spread') return plainly(mapped(spread(day, rule.from, rule.to), weekday, map));
  const place = rule.from.placeOf(day);
  const same = addDays(rule.to.mondayAt(place), weekday - 1);
  return { day: mapped(same, weekday, map), inBreak: place.is === 'without-class', keepsDistance: false };
}

/** The weekday that the map names for the old one, in the week just found. */
function mapped(day: LocalDate, oldWeekday: number, map: WeekdayMap): LocalDate {
  const weekday = map.get(oldWeekday);
  return weekday === undefined ? day : addDays(mondayOf(day), weekday - 1);
}

/** The same place between first and last day, then the nearest day of the same weekday inside the term. */
function spread(day: LocalDate, from: TeachingWeeks, to: TeachingWeeks): LocalDate {
  const { start, end } = to.term;
  const oldLength = daysBetween(from.term.start, from.term.end);
  const newLength = daysBetween(start, end);
  const days = daysBetween(from.term.start, day) * newLength;
  // Half-way between two days the earlier one is taken; whole numbers, so that a half is one.
  const nearest = oldLength === 0 ? 0 : Math.ceil((2 * days - oldLength) / (2 * oldLength));
  const at = addDays(start, nearest);
  const weekday = isoWeekday(day);
  for (let away = 0; away <= 7; away += 1)
    for (const near of [addDays(at, -away), addDays(at, away)])
      if (near >= start && near <= end && isoWeekday(near) === weekday) return near;
  return at;
}

/** The next or previous day that has class, for a day that has been named as one without; itself where there is none. */
function avoided(day: LocalDate, to: TeachingWeeks | null, way: RedateAsk['avoidNoClass']): LocalDate {
  if (way === null || to === null || !to.term.noClass.has(day)) return day;
  const { start, end } = to.term;
  if (way === 'next') {
    for (let at = addDays(day, 1); at <= end; at = addDays(at, 1)) if (to.hasClass(at)) return at;
    return day;
  }
  for (let at = addDays(day, -1); at >= start; at = addDays(at, -1)) if (to.hasClass(at)) return at;
  return day;
}
