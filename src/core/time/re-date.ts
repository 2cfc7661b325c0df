import type { Term } from '@/core/shell/model';
import {
  addDays,
  atTime,
  dateOf,
  daysBetween,
  isoWeekday,
  type LocalDateTime,
} from '@/core/dates/local-date';
import { mondayOf, weekOfTerm } from './term';

/**
 * The same week of the term, the same weekday and the same local time in another term; null where either term's
 * days are unknown, the moment lies outside the old term, or the new one has no such day.
 */
export function sameWeekAndWeekday(when: LocalDateTime, from: Term | null, to: Term): LocalDateTime | null {
  if (!from?.start || !from.end || !to.start || !to.end) return null;
  const day = dateOf(when);
  const week = weekOfTerm(day, from);
  if (week === null) return null;
  const target = addDays(mondayOf(to.start), (week - 1) * 7 + isoWeekday(day) - 1);
  return daysBetween(to.start, target) < 0 || target > to.end ? null : atTime(target, when.slice(11));
}
