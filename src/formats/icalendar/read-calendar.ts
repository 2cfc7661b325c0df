import ICAL from 'ical.js';
import type { CalendarFrame, CourseEvent } from '@/core/shell/model';
import { eventRef } from '@/core/refs/refs';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { localOf, registerZones, unknownZones, wholeBudget, type EventClock } from '@/core/time/event-clock';
import { atTime, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { componentOf, readEvent, settleOverrides, type ReadEvent } from '@/core/time/read-event';
import { isTimeZone } from '@/core/dates/zones';
import { splitComponents } from './split-components';

export interface CalendarReading {
  readonly events: readonly CourseEvent[];
  readonly frame: CalendarFrame;
  readonly todos: readonly CalendarTodo[];
  readonly notes: readonly IntakeNote[];
  /** The time zone that the calendar itself names, where it is a known one. */
  readonly timeZone: string | null;
}

/** A to-do with a due date: what a calendar says about an activity (RFC 5545, 3.6.2). */
export interface CalendarTodo {
  readonly uid: string;
  readonly title: string;
  readonly due: LocalDateTime;
  readonly where: string;
}

/**
 * Reads events out of an iCalendar file (RFC 5545; conference links RFC 7986): single and recurring, with extra and
 * excluded dates and overrides. To-dos and time zones are carried through. Times are brought to the shell's clock.
 */
export function readCalendar(
  text: string,
  name: string,
  zones: { readonly wanted: string | null; readonly otherwise: string },
  until: LocalDate | null,
): Result<CalendarReading> {
  const parts = splitComponents(text);
  if (!parts)
    return bad(
      'not-a-calendar',
      `“${name}” is not an iCalendar file: it does not begin with BEGIN:VCALENDAR. Export the calendar as .ics.`,
    );
  const notes: IntakeNote[] = [];
  const note = (code: string, message: string, line: number) =>
    notes.push({ code, message, where: `${name}, line ${line}` });
  if (parts.unfinished !== null)
    note('calendar-cut-short', 'the file ends inside a component; it is left out', parts.unfinished);
  const timeZone = calendarZone(parts.head, parts.others);
  const clock: EventClock = {
    zone: zones.wanted ?? timeZone ?? zones.otherwise,
    zones: registerZones(parts.others.map((o) => o.source)),
    until,
    budget: wholeBudget(),
  };
  for (const other of parts.others)
    if (other.name !== 'VTIMEZONE' && other.name !== 'VTODO')
      note('calendar-carried-through', `${other.name} is not read; it is kept as it is`, other.line);
  noteUnknownZones([...parts.events, ...parts.others], clock, note);
  const todos = parts.others
    .filter((o) => o.name === 'VTODO')
    .flatMap((o): CalendarTodo[] => {
      const todo = readTodo(o.source, clock);
      if (!todo)
        note('todo-without-due', 'a to-do has no due date that can be read; it is kept as it is', o.line);
      return todo ? [{ ...todo, where: `${name}, line ${o.line}` }] : [];
    });
  const events = settleOverrides(readEvents(parts.events, clock, note));
  const frame: CalendarFrame = { head: parts.head, others: parts.others.map((o) => o.source) };
  return good({ events, frame, todos, notes, timeZone });
}

/** Says once of each time zone that nobody knows where it is named first, and what its times are taken for. */
function noteUnknownZones(
  components: readonly { readonly source: string; readonly line: number }[],
  clock: EventClock,
  note: (code: string, message: string, line: number) => void,
): void {
  const told = new Set<string>();
  for (const { source, line } of components)
    for (const zone of unknownZones(source, clock)) {
      if (told.has(zone)) continue;
      told.add(zone);
      note(
        'unknown-time-zone',
        `the time zone “${zone}” is neither known nor defined in a way that can be read; its times are taken as times of ${clock.zone}`,
        line,
      );
    }
}

/** Every event that can be read, each under a ref of its own. */
function readEvents(
  components: readonly { readonly source: string; readonly line: number }[],
  clock: EventClock,
  note: (code: string, message: string, line: number) => void,
): ReadEvent[] {
  const events: ReadEvent[] = [];
  const seen = new Map<string, number>();
  for (const { source, line } of components) {
    const read = tryEvent(source, clock);
    if (typeof read === 'string') {
      note('event-unreadable', `an event can’t be read (${read}); it is left out`, line);
      continue;
    }
    const { event } = read;
    if (read.odd)
      note(
        'recurrence-odd',
        `“${event.title}” repeats by a rule that can’t be worked out, or too often; only its first date is used`,
        line,
      );
    const key = event.recurrenceId === null ? event.uid : `${event.uid}#${event.recurrenceId}`;
    const n = (seen.get(key) ?? 0) + 1;
    seen.set(key, n);
    if (n > 1) note('uid-twice', `the UID ${event.uid} stands twice`, line);
    const ref = eventRef(n === 1 ? key : `${key}~${n}`);
    events.push({ ...read, event: { ...event, ref } satisfies CourseEvent });
  }
  return events;
}

/** The event, or why it can’t be read. */
function tryEvent(source: string, clock: EventClock): ReadEvent | string {
  try {
    return readEvent(source, clock);
  } catch (error) {
    return error instanceof Error ? error.message : 'unknown reason';
  }
}

function readTodo(source: string, clock: EventClock): Omit<CalendarTodo, 'where'> | null {
  try {
    const component = componentOf(source);
    const due = component.getFirstProperty('due');
    if (!due) return null;
    const time = due.getFirstValue() as ICAL.Time;
    const when = localOf(due, time, clock);
    const text = (property: string) => String(component.getFirstPropertyValue(property) ?? '').trim();
    // A day without a time is due at its end.
    return {
      uid: text('uid'),
      title: text('summary'),
      due: time.isDate ? atTime(when.slice(0, 10) as LocalDate, '23:59:59') : when,
    };
  } catch {
    return null;
  }
}

function calendarZone(head: string, others: readonly { name: string; source: string }[]): string | null {
  const named = /^X-WR-TIMEZONE:(.+)$/im.exec(head)?.[1]?.trim() ?? null;
  const first = others.find((o) => o.name === 'VTIMEZONE');
  const tzid = named ?? (first ? (/^TZID:(.+)$/im.exec(first.source)?.[1]?.trim() ?? null) : null);
  return tzid && isTimeZone(tzid) ? tzid : null;
}
