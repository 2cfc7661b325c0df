import ICAL from 'ical.js';
import type { CourseEvent } from '@/core/shell/model';
import { localOf, timeLike, type EventClock } from '@/core/time/event-clock';
import {
  addDays,
  atTime,
  dateOf,
  isoWeekday,
  type LocalDate,
  type LocalDateTime,
} from '@/core/dates/local-date';
import { componentOf, readEvent } from '@/core/time/read-event';
import {
  replacedMoment,
  ruleOf,
  seriesDatesOf,
  setSeries,
  setStart,
  type SeriesDates,
} from '@/core/time/series-dates';
import type { Rule } from './ask';
import { ownClock, type OwnClock } from './own-clock';
import { moveDay, type DayOptions } from './move-day';
import type { TeachingWeeks } from './teaching-weeks';

/** A date that goes: where from, where to, and whether it lay in a break. */
export interface MovedMoment {
  readonly old: LocalDateTime | null;
  readonly new: LocalDateTime | null;
  readonly inBreak: boolean;
}
export interface MovedOverride extends MovedMoment {
  readonly event: CourseEvent;
  readonly old: LocalDateTime;
  readonly new: LocalDateTime;
  readonly replaces: LocalDateTime;
}

/** A series with its new dates, and what happens to each of the old ones. */
export interface MovedSeries {
  readonly start: MovedMoment & { readonly new: LocalDateTime };
  readonly series: SeriesDates;
  readonly until: MovedMoment | null;
  readonly excluded: readonly MovedMoment[];
  readonly extra: readonly MovedMoment[];
  readonly overrides: readonly MovedOverride[];
  /** Some date of the series falls on a no-class day of the new term. */
  readonly meetsNoClass: boolean;
}

const dayCodes = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

/**
 * Moves a series by a rule, on its own clock: start, end, excluded and added dates and overrides alike, each by itself; a rule by weekday
 * follows the map. Breaks of the new term are taken out of a weekly series.
 */
export function moveSeries(
  event: CourseEvent,
  overrides: readonly CourseEvent[],
  rule: Rule,
  options: DayOptions,
  clock: EventClock,
): MovedSeries | null {
  const eventClock = ownClock(event, clock);
  const onOwn = (one: CourseEvent): CourseEvent =>
    eventClock.clock === clock ? one : { ...readEvent(one.source, eventClock.clock).event, ref: one.ref };
  const moved = moveOnClock(onOwn(event), overrides.map(onOwn), rule, options, eventClock.clock);
  return moved === null || eventClock.clock === clock ? moved : onShellClock(moved, eventClock.here);
}

/** What was worked out on an event's own clock, on the shell's. */
function onShellClock(moved: MovedSeries, here: OwnClock['here']): MovedSeries {
  const orNull = (when: LocalDateTime | null) => (when === null ? null : here(when));
  const moment = <M extends MovedMoment>(one: M): M => ({
    ...one,
    old: orNull(one.old),
    new: orNull(one.new),
  });
  return {
    ...moved,
    start: moment(moved.start),
    until: moved.until && moment(moved.until),
    excluded: moved.excluded.map(moment),
    extra: moved.extra.map(moment),
    overrides: moved.overrides.map((one) => ({ ...moment(one), replaces: here(one.replaces) })),
    series: {
      ...moved.series,
      excluded: moved.series.excluded.map(here),
      extra: moved.series.extra.map(here),
    },
  };
}

function moveOnClock(
  event: CourseEvent,
  overrides: readonly CourseEvent[],
  rule: Rule,
  options: DayOptions,
  clock: EventClock,
): MovedSeries | null {
  const dates = seriesDatesOf(event, clock);
  if (dates === null) return null;
  // Avoiding takes a date out of a series and does not move it.
  const staying: DayOptions = { ...options, avoidNoClass: null };
  const move = (when: LocalDateTime) => movedMoment(when, rule, staying);
  const component = componentOf(event.source);
  const start = startOnRule(component, event, move(event.start), rule, options, clock);
  const until = moveRule(component, move, rule, options, clock);
  const noClassBefore = 'from' in rule ? rule.from.term.noClass : new Set<LocalDate>();
  const excluded = dates.excluded.map((when) =>
    noClassBefore.has(dateOf(when)) ? { old: when, new: null, inBreak: false } : move(when),
  );
  const extra = dates.extra.map(move);
  const goingAlong = (list: readonly MovedMoment[]) => list.flatMap((m) => (m.new === null ? [] : [m.new]));
  setStart(component, start.new, clock);
  const along = { excluded: goingAlong(excluded), extra: goingAlong(extra) };
  const ruleText = ruleOf(component);
  const plain: SeriesDates = { rule: ruleText === null ? null : String(ruleText), ...along };
  setSeries(component, plain, clock);
  const moved = overrides.flatMap((override) => movedOverride(override, move, clock));
  const fitting = overridesOnRule(component, moved, clock);
  const withAdded = { ...plain, extra: sorted([...plain.extra, ...fitting.added]) };
  setSeries(component, withAdded, clock);
  const replaced = new Set(fitting.overrides.map((override) => override.replaces));
  const occurrences = readEvent(component.toString(), clock).event.occurrences.filter(
    (when) => !replaced.has(when),
  );
  const cut = datesToTakeOut(occurrences, dates.rule, rule.to, options);
  const left = occurrences.filter((when) => !cut.includes(when));
  return {
    start,
    series: { ...withAdded, excluded: sorted([...withAdded.excluded, ...cut]) },
    until,
    excluded: [...excluded, ...cut.map((when) => ({ old: null, new: when, inBreak: false }))],
    extra,
    overrides: fitting.overrides,
    meetsNoClass: left.some((when) => rule.to?.term.noClass.has(dateOf(when)) === true),
  };
}

const sorted = (moments: readonly LocalDateTime[]): LocalDateTime[] => [...new Set(moments)].sort();

function movedMoment(
  when: LocalDateTime,
  rule: Rule,
  options: DayOptions,
): MovedMoment & { readonly old: LocalDateTime; readonly new: LocalDateTime } {
  const moved = moveDay(dateOf(when), rule, options);
  return {
    old: when,
    new: moved === null ? when : atTime(moved.day, when.slice(11)),
    inBreak: moved?.inBreak ?? false,
  };
}

/** The weekdays that a rule names without counting them; empty where it names none or counts them. */
function plainWeekdays(rule: ICAL.Recur | null): readonly string[] {
  if (rule === null || (rule.freq !== 'WEEKLY' && rule.freq !== 'DAILY')) return [];
  return rule.getComponent('BYDAY') as string[];
}

/** A start that is no day of its rule goes to the next one that is. */
function startOnRule(
  component: ICAL.Component,
  event: CourseEvent,
  start: MovedMoment & { readonly new: LocalDateTime },
  rule: Rule,
  options: DayOptions,
  clock: EventClock,
): MovedMoment & { readonly new: LocalDateTime } {
  const recur = ruleOf(component);
  const weekdays = plainWeekdays(recur).map((code) => turned(code, rule, options));
  if (recur === null || start.new === event.start) return start;
  if (weekdays.length === 0) return isCounted(recur) ? nextOfRule(component, recur, start, clock) : start;
  for (let days = 0; days < 7; days += 1) {
    const day = addDays(dateOf(start.new), days);
    const code = dayCodes[isoWeekday(day) - 1] ?? '';
    if (weekdays.includes(code)) return { ...start, new: atTime(day, start.new.slice(11)) };
  }
  return start;
}

/** Does a rule name its days by number, month or place in the month? */
const isCounted = (recur: ICAL.Recur): boolean =>
  ['BYDAY', 'BYMONTHDAY', 'BYYEARDAY', 'BYWEEKNO', 'BYMONTH'].some(
    (part) => (recur.getComponent(part) as unknown[]).length > 0,
  );

function nextOfRule(
  component: ICAL.Component,
  recur: ICAL.Recur,
  start: MovedMoment & { readonly new: LocalDateTime },
  clock: EventClock,
): MovedMoment & { readonly new: LocalDateTime } {
  const property = component.getFirstProperty('dtstart');
  if (!property) return start;
  const endless = recur.clone();
  endless.count = null;
  endless.until = null;
  const next = endless.iterator(timeLike(property, start.new, clock)).next();
  return next ? { ...start, new: localOf(property, next, clock) } : start;
}

/** A weekday of a rule after the map, or after a shift by part of a week. */
function turned(code: string, rule: Rule, options: DayOptions): string {
  const weekday = dayCodes.indexOf(code) + 1;
  if (weekday === 0) return code;
  const byMap = options.map.get(weekday);
  const shift = rule.mode === 'shift' ? rule.days : 0;
  const index = byMap === undefined ? (((weekday - 1 + shift) % 7) + 7) % 7 : byMap - 1;
  return dayCodes[index] ?? code;
}

/** Changes weekdays and end of the rule in the component; tells what happens to its end. */
function moveRule(
  component: ICAL.Component,
  move: (when: LocalDateTime) => MovedMoment & { readonly new: LocalDateTime },
  rule: Rule,
  options: DayOptions,
  clock: EventClock,
): MovedMoment | null {
  const recur = ruleOf(component);
  const start = component.getFirstProperty('dtstart');
  if (recur === null || !start) return null;
  const weekdays = plainWeekdays(recur);
  if (weekdays.length > 0) {
    const others = [...new Set(weekdays.map((code) => turned(code, rule, options)))];
    recur.setComponent(
      'BYDAY',
      others.sort((a, b) => dayCodes.indexOf(a) - dayCodes.indexOf(b)),
    );
  }
  const until = recur.until ? movedUntil(recur, recur.until, start, move, clock) : null;
  component.updatePropertyWithValue('rrule', recur);
  return until;
}

/** UNTIL is spelled as it was: as a day, in UTC, or on the wall clock of the start (RFC 5545, 3.3.10). */
function movedUntil(
  recur: ICAL.Recur,
  until: ICAL.Time,
  start: ICAL.Property,
  move: (when: LocalDateTime) => MovedMoment & { readonly new: LocalDateTime },
  clock: EventClock,
): MovedMoment {
  const property = new ICAL.Property('dtstart');
  const zone = start.getParameter('tzid');
  if (typeof zone === 'string' && !until.toString().endsWith('Z')) property.setParameter('tzid', zone);
  if (until.isDate) property.resetType('date');
  property.setValue(until);
  const moved = move(localOf(property, until, clock));
  recur.until = timeLike(property, moved.new, clock);
  return moved;
}

function movedOverride(
  event: CourseEvent,
  move: (when: LocalDateTime) => MovedMoment & { readonly old: LocalDateTime; readonly new: LocalDateTime },
  clock: EventClock,
): MovedOverride[] {
  const replaces = replacedMoment(event, clock);
  return replaces === null ? [] : [{ ...move(event.start), event, replaces: move(replaces).new }];
}

/** An override that replaces no date of the new rule becomes an added date, which it stands for itself. */
function overridesOnRule(
  component: ICAL.Component,
  overrides: readonly MovedOverride[],
  clock: EventClock,
): { readonly overrides: readonly MovedOverride[]; readonly added: readonly LocalDateTime[] } {
  if (overrides.length === 0) return { overrides, added: [] };
  // As far as the last of them, however far from the shell's own term that is.
  const last = overrides.map(({ replaces }) => dateOf(replaces)).reduce((a, b) => (a > b ? a : b));
  const until = clock.until === null || clock.until > last ? clock.until : last;
  const dates = new Set(readEvent(component.toString(), { ...clock, until }).event.occurrences);
  const added = overrides.filter((override) => !dates.has(override.replaces)).map((o) => o.new);
  return {
    overrides: overrides.map((override) =>
      dates.has(override.replaces) ? override : { ...override, replaces: override.new },
    ),
    added,
  };
}

/** Dates of a weekly series in a break of the new term, and those on a no-class day that shall be avoided. */
function datesToTakeOut(
  occurrences: readonly LocalDateTime[],
  ruleText: string | null,
  to: TeachingWeeks | null,
  options: DayOptions,
): LocalDateTime[] {
  if (to === null) return [];
  const isWeekly = ruleText !== null && /FREQ=WEEKLY/i.test(ruleText);
  const going = occurrences.filter((when) => {
    const day = dateOf(when);
    const inBreak = isWeekly && to.isBreak(day);
    return inBreak || (options.avoidNoClass !== null && to.term.noClass.has(day));
  });
  // A series without a date is none.
  return going.length === occurrences.length ? [] : going;
}
