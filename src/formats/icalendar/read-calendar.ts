import ICAL from 'ical.js';
import { DateTime } from 'luxon';
import type { CalendarFrame, CourseEvent, Recurrence } from '@/core/shell/model';
import { eventRef } from '@/core/shell/refs';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { addDays, atTime, type LocalDate, type LocalDateTime } from '@/core/time/local-date';
import { isTimeZone, onOtherClock, toLocal } from '@/core/time/zones';
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

/** Occurrences are worked out up to this many, and no further than `until`. */
const mostOccurrences = 5000;

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
  const zone = zones.wanted ?? timeZone ?? zones.otherwise;
  const own = registerZones(parts.others.filter((o) => o.name === 'VTIMEZONE').map((o) => o.source));
  for (const other of parts.others)
    if (other.name !== 'VTIMEZONE' && other.name !== 'VTODO')
      note('calendar-carried-through', `${other.name} is not read; it is kept as it is`, other.line);
  const events: CourseEvent[] = [];
  const seen = new Map<string, number>();
  const context: Context = { zone, zones: own, until };
  const todos = parts.others
    .filter((o) => o.name === 'VTODO')
    .flatMap((o): CalendarTodo[] => {
      const todo = readTodo(o.source, context);
      if (!todo)
        note('todo-without-due', 'a to-do has no due date that can be read; it is kept as it is', o.line);
      return todo ? [{ ...todo, where: `${name}, line ${o.line}` }] : [];
    });
  const overridden = new Map<string, Set<LocalDateTime>>();
  for (const { source, line } of parts.events) {
    let event: CourseEvent;
    let replaces: LocalDateTime | null;
    try {
      const read = readEvent(source, context);
      ({ event, replaces } = read);
      if (/^RECURRENCE-ID[^:]*;RANGE=/im.test(source))
        note(
          'range-not-followed',
          `“${event.title}” changes this date and all after it, which is not followed; only this date is taken as changed`,
          line,
        );
      if (read.odd)
        note(
          'recurrence-odd',
          `“${event.title}” repeats by a rule that can’t be worked out; only its first date is used`,
          line,
        );
    } catch (error) {
      note(
        'event-unreadable',
        `an event can’t be read (${error instanceof Error ? error.message : 'unknown reason'}); it is left out`,
        line,
      );
      continue;
    }
    const key = event.recurrenceId === null ? event.uid : `${event.uid}#${event.recurrenceId}`;
    const n = (seen.get(key) ?? 0) + 1;
    seen.set(key, n);
    if (replaces !== null) overridden.set(event.uid, (overridden.get(event.uid) ?? new Set()).add(replaces));
    events.push(n === 1 ? { ...event, ref: eventRef(key) } : { ...event, ref: eventRef(`${key}~${n}`) });
    if (n > 1) note('uid-twice', `the UID ${event.uid} stands twice`, line);
  }
  // What an override replaces is no occurrence of the series any more.
  const final = events.map((e) => {
    const gone = overridden.get(e.uid);
    return e.recurrence && gone ? { ...e, occurrences: e.occurrences.filter((o) => !gone.has(o)) } : e;
  });
  const frame: CalendarFrame = { head: parts.head, others: parts.others.map((o) => o.source) };
  return good({ events: final, frame, todos, notes, timeZone });
}

interface Context {
  readonly zone: string;
  readonly zones: ReadonlyMap<string, ICAL.Timezone>;
  readonly until: LocalDate | null;
}

/** One event, and the moment on the shell's clock of the occurrence that it replaces, where it is an override. */
function readEvent(
  source: string,
  context: Context,
): { event: CourseEvent; replaces: LocalDateTime | null; odd: boolean } {
  const component = new ICAL.Component(ICAL.parse(source) as unknown[]);
  const text = (property: string) => String(component.getFirstPropertyValue(property) ?? '').trim();
  const uid = text('uid');
  if (!uid) throw new Error('it has no UID');
  const startProperty = component.getFirstProperty('dtstart');
  if (!startProperty) throw new Error('it has no start');
  const startTime = startProperty.getFirstValue() as ICAL.Time;
  const allDay = startTime.isDate;
  const start = localOf(startProperty, startTime, context);
  const moment = (property: string): LocalDateTime | null => {
    const found = component.getFirstProperty(property);
    return found ? localOf(found, found.getFirstValue() as ICAL.Time, context) : null;
  };
  const recurrenceProperty = component.getFirstProperty('recurrence-id');
  const duration = component.getFirstPropertyValue('duration') as ICAL.Duration | null;
  const end =
    moment('dtend') ??
    (duration
      ? shiftSeconds(start, duration.toSeconds())
      : allDay
        ? atTime(addDays(start.slice(0, 10) as LocalDate, 1), '00:00:00')
        : start);
  const rule = component.getFirstPropertyValue('rrule');
  const dates = (property: string) =>
    component.getAllProperties(property).flatMap((p) => p.getValues().map((v) => String(v)));
  const recurrence: Recurrence | null =
    rule || component.getFirstProperty('rdate')
      ? { rule: rule ? String(rule) : null, extraDates: dates('rdate'), excludedDates: dates('exdate') }
      : null;
  const description = text('description');
  const location = text('location');
  const conferences = component.getAllProperties('conference').map((p) => String(p.getFirstValue() ?? ''));
  const links = [text('url'), ...conferences, ...addressesIn(location), ...addressesIn(description)].filter(
    (l) => l !== '',
  );
  let odd = false;
  const occurrencesOf = (): LocalDateTime[] => {
    try {
      return expand(component, startProperty, startTime, context);
    } catch (error) {
      if (!(error instanceof OddRule)) throw error;
      odd = true;
      return [start];
    }
  };
  const event: CourseEvent = {
    ref: eventRef(uid),
    uid,
    recurrenceId: recurrenceProperty ? compactTime(recurrenceProperty.getFirstValue() as ICAL.Time) : null,
    title: text('summary') || '(untitled)',
    start,
    end,
    allDay,
    recurrence,
    occurrences: recurrence ? occurrencesOf() : [start],
    location,
    links: [...new Set(links)],
    description,
    created: moment('created'),
    stamped: moment('dtstamp'),
    modified: moment('last-modified'),
    source,
  };
  return { event, replaces: moment('recurrence-id'), odd };
}

function readTodo(source: string, context: Context): Omit<CalendarTodo, 'where'> | null {
  try {
    const component = new ICAL.Component(ICAL.parse(source) as unknown[]);
    const due = component.getFirstProperty('due');
    if (!due) return null;
    const time = due.getFirstValue() as ICAL.Time;
    const when = localOf(due, time, context);
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

const addressesIn = (text: string): string[] => text.match(/https?:\/\/[^\s<>"]+[^\s<>".,;:)]/g) ?? [];
const compact = (when: string) => when.replace(/[-:]/g, '');
const compactTime = (time: ICAL.Time) => compact(time.toString());

/** A time of the file on the shell's clock. A day stays the day it is; a floating time is taken as shell time. */
function localOf(property: ICAL.Property, time: ICAL.Time, context: Context): LocalDateTime {
  if (time.isDate) return atTime(time.toString().slice(0, 10) as LocalDate, '00:00:00');
  const spelledTime = time.toString();
  const wall = spelledTime.replace(/Z$/, '');
  const spelled = property.getParameter('tzid');
  const tzid = typeof spelled === 'string' ? spelled : null;
  if (spelledTime.endsWith('Z')) return onOtherClock(wall, 'UTC', context.zone);
  if (tzid === null) return wall as LocalDateTime;
  if (isTimeZone(tzid)) return onOtherClock(wall, tzid, context.zone);
  const own = context.zones.get(tzid);
  if (!own) return wall as LocalDateTime;
  const copy = time.clone();
  copy.zone = own;
  return toLocal(DateTime.fromMillis(copy.toUnixTime() * 1000), context.zone);
}

/** First moments of the occurrences on the shell's clock. The rule runs on the event's own wall clock (RFC 5545, 3.3.10). */
function expand(
  component: ICAL.Component,
  property: ICAL.Property,
  start: ICAL.Time,
  context: Context,
): LocalDateTime[] {
  if (isOdd(String(component.getFirstPropertyValue('rrule') ?? ''))) throw new OddRule();
  const expansion = new ICAL.RecurExpansion({ component, dtstart: start });
  for (const iterator of (expansion as unknown as { ruleIterators: BoundedIterator[] }).ruleIterators)
    boundSteps(iterator);
  const found: LocalDateTime[] = [];
  const limit = context.until ? addDays(context.until, 366) : null;
  for (let n = 0; n < mostOccurrences; n += 1) {
    const next = expansion.next() as ICAL.Time | undefined;
    if (!next) break;
    const local = localOf(property, next, context);
    if (limit && local.slice(0, 10) > limit) break;
    found.push(local);
  }
  return found;
}

/** A rule that no calendar of a course needs and that could be worked out for ever. */
class OddRule extends Error {}

/** Steps of no or an enormous size, and rules by the hour or less that pick among their moments. */
function isOdd(rule: string): boolean {
  const interval = /(?:^|;)INTERVAL=(\d+)/i.exec(rule)?.[1];
  if (interval !== undefined && !(Number(interval) >= 1 && Number(interval) <= 1000)) return true;
  return /FREQ=(SECONDLY|MINUTELY|HOURLY)/i.test(rule) && /(?:^|;)BY/i.test(rule);
}

interface BoundedIterator {
  check_contracting_rules(): boolean;
}
const mostSteps = 200_000;

/** The library tries moment after moment until one fits; a rule that never comes true ends after so many. */
function boundSteps(iterator: BoundedIterator): void {
  const check = iterator.check_contracting_rules.bind(iterator);
  let steps = 0;
  iterator.check_contracting_rules = () => {
    if ((steps += 1) > mostSteps) throw new OddRule();
    return check();
  };
}

function shiftSeconds(when: LocalDateTime, seconds: number): LocalDateTime {
  return DateTime.fromISO(when, { zone: 'UTC' })
    .plus({ seconds })
    .toFormat("yyyy-MM-dd'T'HH:mm:ss") as LocalDateTime;
}

function registerZones(sources: readonly string[]): Map<string, ICAL.Timezone> {
  const zones = new Map<string, ICAL.Timezone>();
  for (const source of sources) {
    try {
      const zone = new ICAL.Timezone(new ICAL.Component(ICAL.parse(source) as unknown[]));
      zones.set(zone.tzid, zone);
    } catch {
      // A time zone that can't be read leaves its events on the shell's own clock.
    }
  }
  return zones;
}

function calendarZone(head: string, others: readonly { name: string; source: string }[]): string | null {
  const named = /^X-WR-TIMEZONE:(.+?)\s*$/im.exec(head)?.[1] ?? null;
  const first = others.find((o) => o.name === 'VTIMEZONE');
  const tzid = named ?? (first ? (/^TZID:(.+?)\s*$/im.exec(first.source)?.[1] ?? null) : null);
  return tzid && isTimeZone(tzid) ? tzid : null;
}
