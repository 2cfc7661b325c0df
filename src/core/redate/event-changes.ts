import type { CourseEvent, Shell } from '@/core/shell/model';
import type { EventClock } from '@/core/time/event-clock';
import { atTime, dateOf, type LocalDateTime } from '@/core/dates/local-date';
import type { RedateAsk, Rule } from './ask';
import { moveSeries, type MovedMoment, type MovedSeries } from './event-series';
import { isFarOutside, moveDay } from './move-day';
import { ownClock } from './own-clock';
import { changeOf, type RedateChange, type ThingChanges } from './thing-changes';

/** Events that are things: overrides are none of their own, unless their series is not there. */
export function eventsThatAreThings(shell: Shell): readonly CourseEvent[] {
  const series = seriesUids(shell);
  return shell.events.filter((event) => event.recurrenceId === null || !series.has(event.uid));
}

export function eventsAsked(shell: Shell, ask: RedateAsk): readonly CourseEvent[] {
  if (ask.what === 'items') return [];
  return eventsThatAreThings(shell).filter((event) => ask.only === null || ask.only.has(event.ref));
}

const seriesUids = (shell: Shell): ReadonlySet<string> =>
  new Set(shell.events.filter((event) => event.recurrenceId === null).map((event) => event.uid));

export function changesOfEvents(
  shell: Shell,
  events: readonly CourseEvent[],
  rule: Rule,
  ask: RedateAsk,
  clock: EventClock,
): ThingChanges[] {
  const overrides = overridesByUid(shell);
  return events.map((event) => {
    if (isFarOutside(dateOf(event.start), rule)) return unchanged(event, true);
    if (event.recurrence === null) return changesOfSingle(event, rule, ask, clock);
    const moved = moveSeries(event, overrides.get(event.uid) ?? [], rule, ask, clock);
    return moved === null ? unchanged(event, false) : changesOfSeries(event, moved, rule);
  });
}

function overridesByUid(shell: Shell): ReadonlyMap<string, readonly CourseEvent[]> {
  const overrides = new Map<string, CourseEvent[]>();
  for (const event of shell.events) {
    if (event.recurrenceId === null) continue;
    const others = overrides.get(event.uid);
    if (others) others.push(event);
    else overrides.set(event.uid, [event]);
  }
  return overrides;
}

const unchanged = (event: CourseEvent, isOutside: boolean): ThingChanges => ({
  ref: event.ref,
  hasDates: true,
  isOutside,
  changes: [],
  sets: {},
});

function changesOfSingle(event: CourseEvent, rule: Rule, ask: RedateAsk, clock: EventClock): ThingChanges {
  const { there, here } = ownClock(event, clock);
  const begins = there(event.start);
  const moved = moveDay(dateOf(begins), rule, ask);
  const start = moved === null ? event.start : here(atTime(moved.day, begins.slice(11)));
  if (start === event.start) return unchanged(event, false);
  const change = changeOf(
    {
      ...aboutEvent(event),
      field: 'start',
      old: event.start,
      new: start,
      inBreak: moved?.inBreak ?? false,
      isDisordered: false,
    },
    rule,
  );
  return { ...unchanged(event, false), changes: [change], sets: { [event.ref]: { start } } };
}

const aboutEvent = (event: CourseEvent) => ({
  type: 'event' as const,
  ref: event.ref as string,
  title: event.title,
  isDay: event.allDay,
});

/** The changes of a series, date by date; what it shall be is set as a whole. */
function changesOfSeries(event: CourseEvent, moved: MovedSeries, rule: Rule): ThingChanges {
  const about = aboutEvent(event);
  const until = moved.until?.new ?? null;
  const isDisordered = until !== null && moved.start.new > until;
  const row = (field: RedateChange['field'], moment: MovedMoment, more: object = {}) =>
    moment.old === moment.new
      ? []
      : [
          changeOf(
            {
              ...about,
              field,
              old: moment.old,
              new: moment.new,
              inBreak: moment.inBreak,
              isDisordered: false,
              ...more,
            },
            rule,
          ),
        ];
  const changes = [
    ...row('start', moved.start, { isDisordered, meetsNoClass: moved.meetsNoClass }),
    ...(moved.until ? row('until', moved.until, { isDisordered }) : []),
    ...moved.excluded.flatMap((moment) => row('exdate', moment)),
    ...moved.extra.flatMap((moment) => row('rdate', moment)),
    ...moved.overrides.flatMap((override) =>
      row('override', override, { ref: override.event.ref, title: override.event.title }),
    ),
  ];
  const { start, series } = moved;
  const overrides = moved.overrides.map(
    (override): [string, { start: LocalDateTime; replaces: LocalDateTime }] => [
      override.event.ref,
      { start: override.new, replaces: override.replaces },
    ],
  );
  return {
    ...unchanged(event, false),
    changes,
    sets:
      changes.length === 0
        ? {}
        : {
            [event.ref]: {
              start: start.new,
              series: { rule: series.rule, excluded: [...series.excluded], extra: [...series.extra] },
            },
            ...Object.fromEntries(overrides),
          },
  };
}
