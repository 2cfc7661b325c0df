import { TeachingWeeks } from '@/core/redate/teaching-weeks';
import type { Shell } from '@/core/shell/model';
import { addDays, dateOf, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { mondayOf } from '@/core/time/term';
import { sheetDay, type SheetDay } from './calendar-view';

/** Something that stands in a week. */
export interface WeekEntry {
  readonly key: string;
  readonly at: LocalDateTime;
  readonly allDay: boolean;
  readonly title: string;
  readonly is: 'event' | 'due';
  /** It is what the finding is about. */
  readonly isAsked: boolean;
}

/** One week of the calendar with all that stands in it. */
export interface EventWeek {
  /** The teaching week’s number; null for a week without class, or where the term’s days are not known. */
  readonly number: number | null;
  readonly days: readonly (SheetDay & { readonly entries: readonly WeekEntry[] })[];
}

/** The week of the first date of some events; null where none of them has a date. */
export function weekOfEvents(shell: Shell, refs: readonly string[]): EventWeek | null {
  const asked = new Set(refs);
  const first = shell.events
    .filter((event) => asked.has(event.ref))
    .flatMap((event) => event.occurrences.slice(0, 1))
    .sort()[0];
  if (first === undefined) return null;
  const monday = mondayOf(dateOf(first));
  const entries = entriesBetween(shell, monday, addDays(monday, 6), asked);
  const { start, end } = shell.term;
  const isTermKnown = start !== null && end !== null && start <= end;
  const weeks = isTermKnown ? new TeachingWeeks({ start, end, noClass: new Set(shell.noClassDays) }) : null;
  return {
    number: weeks?.weekOf(monday) ?? null,
    days: Array.from({ length: 7 }, (_, n) => {
      const day = addDays(monday, n);
      const place = weeks ? sheetDay(day, weeks) : { day, inTerm: true, noClass: false };
      return { ...place, entries: entries.filter(({ at }) => dateOf(at) === day) };
    }),
  };
}

function entriesBetween(
  shell: Shell,
  from: LocalDate,
  to: LocalDate,
  asked: ReadonlySet<string>,
): readonly WeekEntry[] {
  const isBetween = (at: LocalDateTime) => dateOf(at) >= from && dateOf(at) <= to;
  const events = shell.events.flatMap((event): WeekEntry[] =>
    event.occurrences.filter(isBetween).map((at) => ({
      key: `${event.ref} ${at}`,
      at,
      allDay: event.allDay,
      title: event.title,
      is: 'event',
      isAsked: asked.has(event.ref),
    })),
  );
  const due = shell.items.flatMap((item): WeekEntry[] => {
    if (item.due === null || !isBetween(item.due)) return [];
    return [
      { key: `${item.ref} due`, at: item.due, allDay: false, title: item.title, is: 'due', isAsked: false },
    ];
  });
  return [...events, ...due].sort((a, b) => (a.at < b.at ? -1 : 1));
}
