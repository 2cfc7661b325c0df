import ICAL from 'ical.js';
import { DateTime } from 'luxon';
import type { CalendarFrame, Shell } from '@/core/shell/model';
import { addDays, atTime, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { isTimeZone, onOtherClock, toLocal } from '@/core/dates/zones';

/** What is needed to bring the times of a calendar to the shell's clock and back. */
export interface EventClock {
  /** The shell's own time zone, an IANA name. */
  readonly zone: string;
  /** Time zones that the calendar itself defines, by TZID. */
  readonly zones: ReadonlyMap<string, ICAL.Timezone>;
  /** Occurrences are worked out up to a year after this day; null: as far as the rule goes. */
  readonly until: LocalDate | null;
  /** What is left for the series of a whole calendar; without it, each series has the whole of it. */
  readonly budget?: SeriesBudget;
}

/** How much may be worked out of series: it is used up as they are read, so that no file takes for ever. */
export interface SeriesBudget {
  occurrences: number;
  /** Moments that are tried and do not fit their rule. */
  steps: number;
}

/** A calendar of two thousand weekly meetings through term and the year after it is inside. */
export const wholeBudget = (): SeriesBudget => ({ occurrences: 150_000, steps: 100_000 });

const kept = new WeakMap<CalendarFrame, ReadonlyMap<string, ICAL.Timezone>>();

export function clockOf(shell: Pick<Shell, 'timeZone' | 'calendar' | 'term'>): EventClock {
  const { calendar } = shell;
  if (!calendar) return { zone: shell.timeZone, zones: new Map(), until: shell.term.end };
  let zones = kept.get(calendar);
  if (!zones) kept.set(calendar, (zones = registerZones(calendar.others)));
  return { zone: shell.timeZone, zones, until: shell.term.end };
}

/** How often a clock may be put forward and back: a rule that repeats faster is no time zone, and working it out has no end. */
const clockChanges: ReadonlySet<string> = new Set(['YEARLY', 'MONTHLY']);

const changesTooOften = (zone: ICAL.Component): boolean =>
  zone
    .getAllSubcomponents()
    .flatMap((part) => part.getAllProperties('rrule'))
    .some((rule) => !clockChanges.has((rule.getFirstValue() as ICAL.Recur).freq));

/** The time zones among a calendar's components (RFC 5545, 3.6.5). One that can't be read leaves its events on the shell's clock. */
export function registerZones(components: readonly string[]): Map<string, ICAL.Timezone> {
  const zones = new Map<string, ICAL.Timezone>();
  for (const source of components) {
    if (!/^BEGIN:VTIMEZONE/i.test(source)) continue;
    try {
      const component = new ICAL.Component(ICAL.parse(source) as unknown[]);
      if (changesTooOften(component)) continue;
      const zone = new ICAL.Timezone(component);
      zones.set(zone.tzid, zone);
    } catch {
      continue;
    }
  }
  return zones;
}

/** The time zones that a component names and nobody knows: neither the calendar nor the zone database. */
export const unknownZones = (source: string, clock: EventClock): string[] =>
  [...source.replace(/\r?\n[ \t]/g, '').matchAll(/;TZID=(?:"([^"]*)"|([^":;,\r\n]*))/gi)]
    .map((match) => match[1] ?? match[2] ?? '')
    .filter((tzid) => !isTimeZone(tzid) && !clock.zones.has(tzid));

const tzidOf = (property: ICAL.Property): string | null => {
  const spelled = property.getParameter('tzid');
  return typeof spelled === 'string' ? spelled : null;
};

/** A time of the file on the shell's clock. A day stays the day it is; a floating time is taken as shell time. */
export function localOf(property: ICAL.Property, time: ICAL.Time, clock: EventClock): LocalDateTime {
  if (time.isDate) return atTime(time.toString().slice(0, 10) as LocalDate, '00:00:00');
  const spelled = time.toString();
  const wall = spelled.replace(/Z$/, '');
  const tzid = tzidOf(property);
  if (spelled.endsWith('Z')) return onOtherClock(wall, 'UTC', clock.zone);
  if (tzid === null) return wall as LocalDateTime;
  if (isTimeZone(tzid)) return onOtherClock(wall, tzid, clock.zone);
  const zone = clock.zones.get(tzid);
  if (!zone) return wall as LocalDateTime;
  const copy = time.clone();
  copy.zone = zone;
  return toLocal(DateTime.fromMillis(copy.toUnixTime() * 1000), clock.zone);
}

/** A moment on the shell's clock as a time in the form of a property: a day, UTC, on a clock of its own, or floating. */
export function timeLike(property: ICAL.Property, when: LocalDateTime, clock: EventClock): ICAL.Time {
  const pattern = property.getFirstValue() as ICAL.Time;
  if (pattern.isDate) return ICAL.Time.fromDateString(when.slice(0, 10));
  if (pattern.toString().endsWith('Z')) return utcTime(when, clock);
  const tzid = tzidOf(property);
  if (tzid === null) return ICAL.Time.fromDateTimeString(when);
  if (isTimeZone(tzid)) return ICAL.Time.fromDateTimeString(onOtherClock(when, clock.zone, tzid));
  const zone = clock.zones.get(tzid);
  if (!zone) return ICAL.Time.fromDateTimeString(when);
  const seconds = DateTime.fromISO(when, { zone: clock.zone }).toUnixInteger();
  // Made of nothing it would be a day, and midnight would lose its hour.
  const there = new ICAL.Time({ ...epoch, isDate: false }, ICAL.Timezone.utcTimezone);
  there.fromUnixTime(seconds);
  return ICAL.Time.fromDateTimeString(there.convertToZone(zone).toString().replace(/Z$/, ''));
}

const epoch = { year: 1970, month: 1, day: 1, hour: 0, minute: 0, second: 0 };

/** A moment on the shell's clock in UTC, as RFC 5545 (3.3.10) wants the end of a rule whose start has a time zone. */
export const utcTime = (when: LocalDateTime, clock: EventClock): ICAL.Time =>
  ICAL.Time.fromDateTimeString(`${onOtherClock(when, clock.zone, 'UTC')}Z`);

/** A wall-clock time moved by days and seconds; daylight saving does not come into it. */
export function shiftWall(when: LocalDateTime, days: number, seconds: number): LocalDateTime {
  const moved = new Date(
    Date.parse(`${addDays(when.slice(0, 10) as LocalDate, days)}T${when.slice(11)}Z`) + seconds * 1000,
  );
  return moved.toISOString().slice(0, 19) as LocalDateTime;
}

/** Seconds from one wall-clock time to another. */
export const wallSeconds = (from: LocalDateTime, to: LocalDateTime): number =>
  (Date.parse(`${to}Z`) - Date.parse(`${from}Z`)) / 1000;
