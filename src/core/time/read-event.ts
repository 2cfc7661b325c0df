import { valueFor } from '@/core/sure';
import ICAL from 'ical.js';
import type { CourseEvent, Recurrence } from '@/core/shell/model';
import { eventRef } from '@/core/refs/refs';
import { localOf, shiftWall, wallSeconds, type EventClock } from './event-clock';
import { clipTitle } from '../text/clip';
import { addDays, atTime, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { occurrencesOf } from './occurrences';

/** An event as its component says it, before the overrides of its series are known. */
export interface ReadEvent {
  readonly event: CourseEvent;
  /** For an override: the moment of the occurrence that it replaces, on the shell's clock. */
  readonly replaces: LocalDateTime | null;
  /** The override moves this date and all after it (RANGE=THISANDFUTURE; RFC 5545, 3.2.13). */
  readonly andFuture: boolean;
  /** The rule can't be worked out; only the first date is used. */
  readonly odd: boolean;
}

export const componentOf = (source: string): ICAL.Component =>
  new ICAL.Component(ICAL.parse(source) as unknown[]);

/** Reads one VEVENT (RFC 5545, 3.6.1; conference links RFC 7986, 5.11). Throws where it has no UID or no start. */
export function readEvent(source: string, clock: EventClock): ReadEvent {
  const component = componentOf(source);
  const text = (property: string) => String(component.getFirstPropertyValue(property) ?? '').trim();
  const uid = text('uid');
  if (!uid) throw new Error('it has no UID');
  const startProperty = component.getFirstProperty('dtstart');
  if (!startProperty) throw new Error('it has no start');
  const startTime = startProperty.getFirstValue() as ICAL.Time;
  const start = localOf(startProperty, startTime, clock);
  const moment = (property: string): LocalDateTime | null => {
    const found = component.getFirstProperty(property);
    return found ? localOf(found, found.getFirstValue() as ICAL.Time, clock) : null;
  };
  const replacesProperty = component.getFirstProperty('recurrence-id');
  const recurrence = recurrenceOf(component);
  const { occurrences, odd } = recurrence
    ? occurrencesOf(component, startProperty, startTime, clock)
    : { occurrences: [start], odd: false };
  const event: CourseEvent = {
    ref: eventRef(uid),
    uid,
    recurrenceId: replacesProperty ? compactTime(replacesProperty.getFirstValue() as ICAL.Time) : null,
    title: clipTitle(text('summary')) || '(untitled)',
    start,
    end: moment('dtend') ?? endByLength(component, start, startTime.isDate),
    allDay: startTime.isDate,
    recurrence,
    occurrences,
    location: text('location'),
    links: linksOf(component, text),
    description: text('description'),
    created: moment('created'),
    stamped: moment('dtstamp'),
    modified: moment('last-modified'),
    source,
  };
  const range = replacesProperty?.getParameter('range');
  const andFuture = typeof range === 'string' && range.toUpperCase() === 'THISANDFUTURE';
  return { event, replaces: moment('recurrence-id'), andFuture, odd };
}

function recurrenceOf(component: ICAL.Component): Recurrence | null {
  const rule = component.getFirstPropertyValue('rrule');
  if (!rule && !component.getFirstProperty('rdate')) return null;
  const dates = (property: string) =>
    component.getAllProperties(property).flatMap((p) => p.getValues().map((v) => String(v)));
  return {
    rule: rule ? String(rule) : null,
    extraDates: dates('rdate'),
    excludedDates: dates('exdate'),
  };
}

/** The end of an event that has none: by its DURATION, else the end of the day, else its start (RFC 5545, 3.6.1). */
function endByLength(component: ICAL.Component, start: LocalDateTime, allDay: boolean): LocalDateTime {
  const duration = component.getFirstPropertyValue('duration') as ICAL.Duration | null;
  if (duration) return shiftWall(start, 0, duration.toSeconds());
  return allDay ? atTime(addDays(start.slice(0, 10) as LocalDate, 1), '00:00:00') : start;
}

function linksOf(component: ICAL.Component, text: (property: string) => string): string[] {
  const conferences = component.getAllProperties('conference').map((p) => String(p.getFirstValue() ?? ''));
  const links = [
    text('url'),
    ...conferences,
    ...addressesIn(text('location')),
    ...addressesIn(text('description')),
  ];
  return [...new Set(links.filter((link) => link !== ''))];
}

/** A web address in running text; what ends a sentence is no part of it. */
export const addressPattern = /https?:\/\/[^\s<>"]+[^\s<>".,;:)]/g;
const addressesIn = (text: string): string[] => text.match(addressPattern) ?? [];
const compactTime = (time: ICAL.Time) => time.toString().replace(/[-:]/g, '');

/**
 * Brings the overrides of a calendar to their series (RFC 5545, 3.8.4.4): what an override replaces is no occurrence of
 * the series any more; one for this and all future dates takes over all later ones that no other override replaces,
 * each moved as far as the first.
 */
export function settleOverrides(read: readonly ReadEvent[]): CourseEvent[] {
  const overrides = new Map<string, ReadEvent[]>();
  for (const one of read) {
    if (one.replaces === null) continue;
    const others = overrides.get(one.event.uid);
    if (others) others.push(one);
    else overrides.set(one.event.uid, [one]);
  }
  const taken = new Map<CourseEvent, LocalDateTime[]>();
  const left = new Map<CourseEvent, LocalDateTime[]>();
  for (const { event } of read) {
    const theirs = overrides.get(event.uid);
    if (event.recurrence && theirs) left.set(event, shareOut(event, theirs, taken));
  }
  return read.map(({ event }) => {
    const occurrences = left.get(event) ?? taken.get(event);
    return occurrences ? { ...event, occurrences } : event;
  });
}

/** The occurrences that stay with the series; those that an override for all future dates takes over go to `taken`. */
function shareOut(
  series: CourseEvent,
  overrides: readonly ReadEvent[],
  taken: Map<CourseEvent, LocalDateTime[]>,
): LocalDateTime[] {
  const replaced = new Set(overrides.map((o) => o.replaces));
  const ranges = overrides
    .flatMap(({ event, replaces, andFuture }) =>
      andFuture && replaces !== null ? [{ event, replaces }] : [],
    )
    .sort((a, b) => (a.replaces < b.replaces ? -1 : 1));
  const left: LocalDateTime[] = [];
  for (const range of ranges) if (!taken.has(range.event)) taken.set(range.event, [range.event.start]);
  for (const moment of series.occurrences) {
    if (replaced.has(moment)) continue;
    const range = ranges.findLast((r) => r.replaces < moment);
    if (!range) left.push(moment);
    else
      valueFor(taken, range.event).push(shiftWall(moment, 0, wallSeconds(range.replaces, range.event.start)));
  }
  return left;
}
