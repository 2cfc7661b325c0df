import ICAL from 'ical.js';
import type { CourseEvent } from '@/core/shell/model';
import { localOf, shiftWall, timeLike, wallSeconds, type EventClock } from './event-clock';
import { dateOf, daysBetween, type LocalDateTime } from '@/core/dates/local-date';
import { componentOf } from './read-event';

/** What decides the dates of a series besides its start, on the shell’s clock. */
export interface SeriesDates {
  /** The rule as RFC 5545 (3.3.10) spells it, UNTIL included; null for a series of added dates alone. */
  readonly rule: string | null;
  readonly excluded: readonly LocalDateTime[];
  readonly extra: readonly LocalDateTime[];
}

/** The dates of a property that may stand several times; periods are left out. */
function momentsOf(component: ICAL.Component, name: 'rdate' | 'exdate', clock: EventClock): LocalDateTime[] {
  const moments = component
    .getAllProperties(name)
    .flatMap((property) =>
      (property.getValues() as unknown[]).flatMap((value) =>
        value instanceof ICAL.Time ? [localOf(property, value, clock)] : [],
      ),
    );
  return [...new Set(moments)].sort();
}

export const ruleOf = (component: ICAL.Component): ICAL.Recur | null =>
  component.getFirstPropertyValue('rrule') as ICAL.Recur | null;

/** The series that an event is; null for an event that does not repeat. */
export function seriesDatesOf(event: CourseEvent, clock: EventClock): SeriesDates | null {
  if (event.recurrence === null || event.source === '') return null;
  const component = componentOf(event.source);
  return {
    rule: event.recurrence.rule,
    excluded: momentsOf(component, 'exdate', clock),
    extra: momentsOf(component, 'rdate', clock),
  };
}

/** The moment that an override replaces; null for any other event. */
export function replacedMoment(event: CourseEvent, clock: EventClock): LocalDateTime | null {
  if (event.recurrenceId === null || event.source === '') return null;
  const property = componentOf(event.source).getFirstProperty('recurrence-id');
  return property ? localOf(property, property.getFirstValue() as ICAL.Time, clock) : null;
}

/** Gives a component another start; its end goes along on the wall clock. */
export function setStart(component: ICAL.Component, start: LocalDateTime, clock: EventClock): void {
  const startProperty = component.getFirstProperty('dtstart');
  if (!startProperty) return;
  const before = localOf(startProperty, startProperty.getFirstValue() as ICAL.Time, clock);
  const days = daysBetween(dateOf(before), dateOf(start));
  const seconds = wallSeconds(before, start) - days * 86_400;
  for (const property of [component.getFirstProperty('dtend'), startProperty]) {
    if (!property) continue;
    const value = property.getFirstValue() as ICAL.Time;
    property.setValue(timeLike(property, shiftWall(localOf(property, value, clock), days, seconds), clock));
  }
}

/** Writes rule, excluded and added dates; what is so already stays as it is spelled. */
export function setSeries(component: ICAL.Component, series: SeriesDates, clock: EventClock): void {
  const rule = ruleOf(component);
  if (series.rule === null) component.removeAllProperties('rrule');
  else if (String(rule) !== series.rule)
    component.updatePropertyWithValue('rrule', ICAL.Recur.fromString(series.rule));
  setMoments(component, 'exdate', series.excluded, clock);
  setMoments(component, 'rdate', series.extra, clock);
}

function setMoments(
  component: ICAL.Component,
  name: 'rdate' | 'exdate',
  moments: readonly LocalDateTime[],
  clock: EventClock,
): void {
  const start = component.getFirstProperty('dtstart');
  if (!start || String(momentsOf(component, name, clock)) === String([...moments].sort())) return;
  for (const property of component.getAllProperties(name))
    if ((property.getValues() as unknown[]).every((value) => value instanceof ICAL.Time))
      component.removeProperty(property);
  if (moments.length === 0) return;
  const property = new ICAL.Property(name);
  const zone = start.getParameter('tzid');
  if (typeof zone === 'string') property.setParameter('tzid', zone);
  if ((start.getFirstValue() as ICAL.Time).isDate) property.resetType('date');
  property.setValues(moments.map((moment) => timeLike(start, moment, clock)));
  component.addProperty(property);
}

/** Makes an override stand for another moment of its series; the range that it names stays. */
export function setReplaced(component: ICAL.Component, moment: LocalDateTime, clock: EventClock): void {
  const property = component.getFirstProperty('recurrence-id');
  if (property) property.setValue(timeLike(property, moment, clock));
}
