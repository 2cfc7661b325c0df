import { elementAt } from '@/core/sure';
import ICAL from 'ical.js';
import type { CourseEvent, Shell } from '@/core/shell/model';
import { clockOf, localOf, shiftWall, timeLike, utcTime, wallSeconds, type EventClock } from './event-clock';
import { addDays, dateOf, daysBetween, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { addressPattern, componentOf, readEvent, settleOverrides, type ReadEvent } from './read-event';
import { writeComponent } from './write-component';
import { setReplaced, setSeries, setStart, type SeriesDates } from './series-dates';

/**
 * Every change to an event is a change of its component (RFC 5545); what the model says of it is read from the
 * component again, so the two never drift apart.
 */
type Change = (component: ICAL.Component, event: CourseEvent) => void;

/** Changes the components of some events, takes some away, and reads the series that they belong to again. */
function changeEvents(
  shell: Shell,
  changes: ReadonlyMap<string, Change>,
  gone: ReadonlySet<string> = new Set(),
): Shell {
  const touched = new Set(
    shell.events.filter((e) => changes.has(e.ref) || gone.has(e.ref)).map((e) => e.uid),
  );
  const staying = shell.events
    .filter((e) => !gone.has(e.ref))
    .map((event) => {
      const change = changes.get(event.ref);
      if (!change) return event;
      const component = componentOf(event.source);
      change(component, event);
      return { ...event, source: writeComponent(event.source, component) };
    });
  return { ...shell, events: readAgain(staying, touched, clockOf(shell)) };
}

/** What the components of these UIDs say; every event keeps its ref. */
function readAgain(
  events: readonly CourseEvent[],
  uids: ReadonlySet<string>,
  clock: EventClock,
): readonly CourseEvent[] {
  const read: ReadEvent[] = [];
  const refs: CourseEvent['ref'][] = [];
  for (const event of events) {
    // An event without a component was made by hand; there is nothing to read.
    if (!uids.has(event.uid) || event.source === '') continue;
    read.push(readEvent(event.source, clock));
    refs.push(event.ref);
  }
  const settled = new Map(
    settleOverrides(read).map((event, k) => [elementAt(refs, k), { ...event, ref: elementAt(refs, k) }]),
  );
  return events.map((event) => settled.get(event.ref) ?? event);
}

/** Reads every series again, since the term's end, which bounds the occurrences, changed. */
export function readSeriesAgain(shell: Shell): Shell {
  const uids = new Set(shell.events.filter((e) => e.recurrence !== null).map((e) => e.uid));
  return uids.size ? { ...shell, events: readAgain(shell.events, uids, clockOf(shell)) } : shell;
}

export const renameEvent = (shell: Shell, ref: string, title: string): Shell =>
  changeEvents(
    shell,
    new Map([[ref, (component) => void component.updatePropertyWithValue('summary', title)]]),
  );

/** Takes addresses out of events, wherever they stand: URL, conference (RFC 7986, 5.11), place and description. */
export function dropLinks(shell: Shell, links: ReadonlyMap<string, ReadonlySet<string>>): Shell {
  const changes = new Map<string, Change>();
  for (const [ref, going] of links)
    changes.set(ref, (component) => {
      for (const name of ['url', 'conference'])
        for (const property of component.getAllProperties(name))
          if (going.has(String(property.getFirstValue() ?? ''))) component.removeProperty(property);
      for (const name of ['location', 'description']) dropFromText(component, name, going);
    });
  return changeEvents(shell, changes);
}

function dropFromText(component: ICAL.Component, name: string, going: ReadonlySet<string>): void {
  const property = component.getFirstProperty(name);
  const text = String(property?.getFirstValue() ?? '');
  const left = text.replace(addressPattern, (address) => (going.has(address) ? '' : address));
  if (!property || left === text) return;
  const tidy = left
    .replace(/[ \t]{2,}/g, ' ')
    .replace(/^[\s,;:–-]+$/, '')
    .trim();
  if (tidy === '') component.removeProperty(property);
  else property.setValue(tidy);
}

const overridesOf = (shell: Shell, event: CourseEvent): CourseEvent[] =>
  event.recurrenceId === null
    ? shell.events.filter((e) => e.uid === event.uid && e.recurrenceId !== null)
    : [];
const seriesOf = (shell: Shell, override: CourseEvent): CourseEvent | undefined =>
  shell.events.find((e) => e.uid === override.uid && e.recurrenceId === null);

/** Why an event can't be given another start as it stands; null where it can. */
export function cannotMove(shell: Shell, event: CourseEvent, start: LocalDateTime): string | null {
  const days = daysBetween(dateOf(event.start), dateOf(start));
  if (event.allDay && start.slice(11) !== '00:00:00')
    return `“${event.title}” lasts whole days; give it a day without a time`;
  if (event.recurrence === null) return null;
  if (overridesOf(shell, event).length)
    return `“${event.title}” repeats and has dates that were changed one by one; move those by hand`;
  const rule = event.recurrence.rule ?? '';
  const bound = days % 7 !== 0 && /BYDAY=[^;]*\d|BYMONTH|BYYEARDAY|BYWEEKNO|BYSETPOS/.test(rule);
  return bound ? `“${event.title}” repeats by a rule that names its days; move it by hand` : null;
}

/** Gives events another start. They stay as long as they were; a series goes along with all its dates. */
export function moveEvents(shell: Shell, starts: ReadonlyMap<string, LocalDateTime>): Shell {
  const clock = clockOf(shell);
  const changes = new Map<string, Change>();
  for (const [ref, start] of starts)
    changes.set(ref, (component, event) => moveComponent(component, event, start, clock));
  return changeEvents(shell, changes);
}

/** Dates of an event that are told one by one. */
export interface EventDates {
  readonly start: LocalDateTime;
  /** For a series: rule, excluded and added dates. */
  readonly series?: SeriesDates;
  /** For an override: the moment of the series that it stands for. */
  readonly replaces?: LocalDateTime;
}

/** Gives events the dates that are told, and nothing else: overrides are events of their own. */
export function setEventDates(shell: Shell, dates: ReadonlyMap<string, EventDates>): Shell {
  const clock = clockOf(shell);
  const changes = new Map<string, Change>();
  for (const [ref, { start, series, replaces }] of dates)
    changes.set(ref, (component) => {
      setStart(component, start, clock);
      if (series) setSeries(component, series, clock);
      if (replaces) setReplaced(component, replaces, clock);
    });
  return changeEvents(shell, changes);
}

function moveComponent(
  component: ICAL.Component,
  event: CourseEvent,
  start: LocalDateTime,
  clock: EventClock,
): void {
  const days = daysBetween(dateOf(event.start), dateOf(start));
  const seconds = wallSeconds(event.start, start) - days * 86_400;
  const moved = (property: ICAL.Property, value: ICAL.Time) =>
    timeLike(property, shiftWall(localOf(property, value, clock), days, seconds), clock);
  for (const name of ['dtstart', 'dtend']) {
    const property = component.getFirstProperty(name);
    if (property) property.setValue(moved(property, property.getFirstValue() as ICAL.Time));
  }
  if (event.recurrence === null) return;
  for (const name of ['rdate', 'exdate'])
    for (const property of component.getAllProperties(name)) {
      const values = property.getValues() as unknown[];
      if (values.every((value) => value instanceof ICAL.Time))
        property.setValues(values.map((value) => moved(property, value)));
    }
  const rule = component.getFirstPropertyValue('rrule') as ICAL.Recur | null;
  const startProperty = component.getFirstProperty('dtstart');
  if (!rule || !startProperty) return;
  if (rule.until) rule.until = moveUntil(rule.until, days, seconds, clock);
  const weekdays = rule.getComponent('BYDAY') as string[];
  if (weekdays.length && days % 7 !== 0)
    rule.setComponent(
      'BYDAY',
      weekdays.map((day) => turnWeekday(day, days)),
    );
  component.updatePropertyWithValue('rrule', rule);
}

function moveUntil(until: ICAL.Time, days: number, seconds: number, clock: EventClock): ICAL.Time {
  if (until.isDate) return ICAL.Time.fromDateString(addDays(until.toString() as LocalDate, days));
  const property = new ICAL.Property('dtstart');
  property.setValue(until);
  return timeLike(property, shiftWall(localOf(property, until, clock), days, seconds), clock);
}

const weekdayNames = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];
const turnWeekday = (day: string, days: number): string =>
  weekdayNames[(((weekdayNames.indexOf(day) + days) % 7) + 7) % 7] ?? day;

/** The last day on which an event or its series has a date, changed dates included. */
export function lastDayOf(shell: Shell, event: CourseEvent): LocalDate {
  const dates = [event, ...overridesOf(shell, event)].flatMap((e) => e.occurrences).map(dateOf);
  return dates.reduce((last, day) => (day > last ? day : last), dateOf(event.start));
}

/**
 * Ends series on a day: UNTIL instead of COUNT, in UTC where the start has a time zone (RFC 5545, 3.3.10). Later extra
 * dates go, and so do overrides of later dates.
 */
export function endSeries(shell: Shell, until: ReadonlyMap<string, LocalDate>): Shell {
  const clock = clockOf(shell);
  const changes = new Map<string, Change>();
  const gone = new Set<string>();
  for (const [ref, day] of until) {
    const series = shell.events.find((e) => e.ref === ref);
    if (!series?.recurrence) continue;
    for (const override of overridesOf(shell, series))
      if (replacedDay(override) > day || dateOf(override.start) > day) gone.add(override.ref);
    changes.set(ref, (component) => endComponent(component, `${day}T23:59:59` as LocalDateTime, clock));
  }
  const ended = changeEvents(shell, changes, gone);
  return excludeLater(ended, until);
}

/** The day that an override replaces, as the file spells it. */
function replacedDay(override: CourseEvent): LocalDate {
  const id = override.recurrenceId ?? '';
  return `${id.slice(0, 4)}-${id.slice(4, 6)}-${id.slice(6, 8)}` as LocalDate;
}

function endComponent(component: ICAL.Component, last: LocalDateTime, clock: EventClock): void {
  const start = component.getFirstProperty('dtstart');
  if (!start) return;
  const extraDays = new Set<string>();
  for (const property of component.getAllProperties('rdate')) {
    const values = property.getValues() as unknown[];
    if (!values.every((value) => value instanceof ICAL.Time)) continue;
    const staying = values.filter((value) => localOf(property, value, clock) <= last);
    for (const value of values) extraDays.add(localOf(property, value, clock));
    if (staying.length === 0) component.removeProperty(property);
    else if (staying.length < values.length) property.setValues(staying);
  }
  const rule = component.getFirstPropertyValue('rrule') as ICAL.Recur | null;
  if (!rule || !overruns(component, start, last, clock, extraDays)) return;
  rule.count = null;
  const floating = !(start.getFirstValue() as ICAL.Time).isDate && !isBound(start);
  rule.until =
    (start.getFirstValue() as ICAL.Time).isDate || floating
      ? timeLike(start, last, clock)
      : utcTime(last, clock);
  component.updatePropertyWithValue('rrule', rule);
}

/** Does a start have a time zone, its own or UTC? */
const isBound = (start: ICAL.Property): boolean =>
  start.getParameter('tzid') !== undefined || (start.getFirstValue() as ICAL.Time).toString().endsWith('Z');

/** A rule that ends by itself before that moment stays as it is: without its COUNT it would go on. */
function overruns(
  component: ICAL.Component,
  start: ICAL.Property,
  last: LocalDateTime,
  clock: EventClock,
  extra: ReadonlySet<string>,
): boolean {
  const { event } = readEvent(component.toString(), clock);
  return event.occurrences.some((o) => o > last && !extra.has(o));
}

/** Takes out the dates that a rule still gives behind the day, such as a start that lies there itself. */
function excludeLater(shell: Shell, until: ReadonlyMap<string, LocalDate>): Shell {
  const later = new Map<string, LocalDateTime[]>();
  for (const [ref, day] of until) {
    const series = shell.events.find((e) => e.ref === ref);
    const dates = series?.recurrence ? series.occurrences.filter((o) => dateOf(o) > day) : [];
    if (dates.length) later.set(ref, dates);
  }
  return later.size ? excludeDates(shell, later) : shell;
}

/** Takes dates out of series by EXDATE, spelled like their start (RFC 5545, 3.8.5.1). */
export function excludeDates(shell: Shell, dates: ReadonlyMap<string, readonly LocalDateTime[]>): Shell {
  const clock = clockOf(shell);
  const changes = new Map<string, Change>();
  for (const [ref, moments] of dates)
    if (moments.length) changes.set(ref, (component) => excludeMoments(component, moments, clock));
  return changeEvents(shell, changes);
}

function excludeMoments(
  component: ICAL.Component,
  moments: readonly LocalDateTime[],
  clock: EventClock,
): void {
  const start = component.getFirstProperty('dtstart');
  if (!start) return;
  const property = new ICAL.Property('exdate');
  const tzid = start.getParameter('tzid');
  if (typeof tzid === 'string') property.setParameter('tzid', tzid);
  if ((start.getFirstValue() as ICAL.Time).isDate) property.resetType('date');
  property.setValues(moments.map((moment) => timeLike(start, moment, clock)));
  component.addProperty(property);
}

/**
 * Deletes events. A series takes its overrides along. An override that goes takes its date out of the series for good,
 * which would else come back when the calendar is read again; one for all future dates ends the series before it.
 */
export function deleteEvents(shell: Shell, refs: ReadonlySet<string>): Shell {
  const going = shell.events.filter((e) => refs.has(e.ref));
  const stayingSeries = new Set(
    shell.events.filter((e) => e.recurrenceId === null && !refs.has(e.ref)).map((e) => e.uid),
  );
  const gone = new Set<string>(refs);
  for (const event of going)
    if (event.recurrenceId === null && !stayingSeries.has(event.uid))
      for (const override of overridesOf(shell, event)) gone.add(override.ref);
  const clock = clockOf(shell);
  const changes = new Map<string, Change>();
  for (const override of going) {
    const series = override.recurrenceId === null ? undefined : seriesOf(shell, override);
    if (!series?.recurrence || gone.has(series.ref) || override.source === '') continue;
    const { replaces, andFuture } = readEvent(override.source, clock);
    if (replaces === null) continue;
    const earlier = changes.get(series.ref);
    changes.set(series.ref, (component, event) => {
      earlier?.(component, event);
      if (andFuture) endComponent(component, shiftWall(replaces, 0, -1), clock);
      else excludeMoments(component, [replaces], clock);
    });
  }
  return changeEvents(shell, changes, gone);
}
