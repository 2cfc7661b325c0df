import type { CourseEvent, Term } from '../shell/model';
import {
  addDays,
  dateOf,
  daysBetween,
  timeOf,
  type LocalDate,
  type LocalDateTime,
} from '@/core/dates/local-date';
import { sideOfTerm, type TermSide } from './term';

/** The days that something lasts, both ends included. */
export interface DaySpan {
  readonly first: LocalDate;
  readonly last: LocalDate;
}

type Lasting = Pick<CourseEvent, 'start' | 'end' | 'occurrences'>;

/** How many days after the one it starts on an event still covers: what ends at midnight ends the day before. */
function daysMore({ start, end }: Lasting): number {
  const nights = daysBetween(dateOf(start), dateOf(end));
  return Math.max(0, timeOf(end) === '00:00' ? nights - 1 : nights);
}

/** The days of each of an event's dates, in order. */
export function daySpans(event: Lasting): DaySpan[] {
  const more = daysMore(event);
  return event.occurrences.map((start) => spanFrom(start, more));
}

function spanFrom(start: LocalDateTime, more: number): DaySpan {
  const first = dateOf(start);
  return { first, last: more === 0 ? first : addDays(first, more) };
}

/** Where some days stand to a term: inside where any of them is. */
export function sideOfSpan({ first, last }: DaySpan, term: Term): TermSide {
  const [start, end] = [sideOfTerm(first, term), sideOfTerm(last, term)];
  if (start.side === 'before' && end.side !== 'before') return { side: 'inside' };
  return start.side === 'before' ? end : start;
}

export const coversDay = ({ first, last }: DaySpan, day: LocalDate): boolean => first <= day && day <= last;
