import { entryOf } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { eventOfShell } from '@/core/shell/find-things';
import type { CourseEvent, Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { cannotMove, moveEvents, setEventDates, type EventDates } from '@/core/time/change-events';
import { clockOf } from '@/core/time/event-clock';
import { followItems } from '@/core/time/follow-items';
import type { LocalDateTime } from '@/core/dates/local-date';
import { replacedMoment, seriesDatesOf } from '@/core/time/series-dates';
import { defineAction, recordOf, sayMoment, setsByRef, withItems } from '@/core/plan/action/action';

const moment = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}$/, 'write a moment as 2027-01-11T09:00:00');
/** Rule (RFC 5545, 3.3.10), excluded and added dates of a series, told one by one. */
const series = z.strictObject({
  rule: z.string().nullable(),
  excluded: z.array(moment),
  extra: z.array(moment),
});
/**
 * A date that is not named stays; null clears it. An event has a start; a series goes along with it as a whole, unless
 * its dates are told one by one. `replaces` is the date that an override stands for.
 */
const dates = z.strictObject({
  opens: moment.nullable().optional(),
  closes: moment.nullable().optional(),
  due: moment.nullable().optional(),
  start: moment.optional(),
  series: series.optional(),
  replaces: moment.optional(),
});
type Dates = z.output<typeof dates>;

/** `due 2027-01-29 23:59`: what a person types in. */
const sayDates = ({ opens, closes, due, start }: Dates): string =>
  Object.entries({ opens, closes, due, starts: start })
    .flatMap(([name, moment]) => (moment === undefined ? [] : `${name} ${sayMoment(moment)}`))
    .join(', ');

/** Gives items and events other dates. */
export const reDate = defineAction({
  name: 're-date',
  label: 'Re-date',
  title: 'Re-date',
  toDo: ({ title, sets }) => ({
    what: `Change the dates of “${title}”: ${sayDates(sets)}.`,
    lookFor: 'It shows the new dates.',
  }),
  decides: 'dates',
  isSetting: true,
  isDivisible: true,
  isOfOutline: true,
  nothing: 'the dates are the same',
  phase: 'change',
  on: ['item', 'event'],
  only: 'it has no dates; items and events have',
  joins: true,
  params: z.strictObject({ dates: refRecord(dates) }),
  perTarget: ['dates'],
  expects: dates,
  sets: dates,
  setsOf: (params, ref) => entryOf(params.dates, ref) ?? null,
  paramsOf: (targets) => ({ dates: recordOf(targets, (sets) => sets) }),
  now: (shell, ref, sets) => {
    const item = outlineOf(shell).byRef.get(ref as ItemRef);
    if (item) return datesOfItem(item, sets);
    const event = eventOfShell(shell, ref);
    return event ? datesOfEvent(shell, event, sets) : null;
  },
  isSet: (now, sets) =>
    Object.entries(sets).every(([name, value]) => isSame(now[name as keyof Dates], value)),
  apply: (shell, targets) => {
    const wanted = setsByRef(targets);
    const blocked = new Map<string, string>();
    const starts = new Map<string, LocalDateTime>();
    const told = new Map<string, EventDates>();
    for (const { ref, sets } of targets) {
      const event = eventOfShell(shell, ref);
      if (!event || outlineOf(shell).byRef.has(ref as ItemRef)) {
        if (sets.start !== undefined) blocked.set(ref, 'an item has no start; give it opens, closes or due');
        continue;
      }
      const reason = whyNot(shell, event, sets);
      if (reason !== null) blocked.set(ref, reason);
      else if (isTold(sets)) told.set(ref, sets as EventDates);
      else starts.set(ref, sets.start as LocalDateTime);
    }
    const items = withItems(shell, (item) => {
      const to = blocked.has(item.ref) ? undefined : wanted.get(item.ref);
      return to === undefined ? item : dated(item, to);
    });
    const moved = starts.size ? moveEvents(items, starts) : items;
    const placed = told.size ? setEventDates(moved, told) : moved;
    return { shell: followItems(shell, placed), blocked };
  },
});

/** Both went through the same schema, so that equal values are written alike. */
const isSame = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Are the dates of a series, or the date that an override stands for, told one by one? */
const isTold = (sets: Dates): boolean => sets.series !== undefined || sets.replaces !== undefined;

function whyNot(shell: Shell, event: CourseEvent, sets: Dates): string | null {
  if (sets.start === undefined) return 'an event has a start and no other date';
  if (sets.opens !== undefined || sets.closes !== undefined || sets.due !== undefined)
    return 'an event has a start and no other date';
  if (sets.series !== undefined && event.recurrence === null) return `“${event.title}” does not repeat`;
  if (sets.replaces !== undefined && event.recurrenceId === null)
    return `“${event.title}” stands for no other date`;
  if (event.allDay && !sets.start.endsWith('T00:00:00'))
    return `“${event.title}” lasts whole days; give it a day without a time`;
  return isTold(sets) ? null : cannotMove(shell, event, sets.start as LocalDateTime);
}

/** The dates of an event that a step is about, as they are now. */
function datesOfEvent(shell: Shell, event: CourseEvent, about: Dates): Dates {
  const clock = clockOf(shell);
  const now = about.series === undefined ? null : seriesDatesOf(event, clock);
  const replaces = about.replaces === undefined ? null : replacedMoment(event, clock);
  return {
    start: event.start,
    ...(now ? { series: { rule: now.rule, excluded: [...now.excluded], extra: [...now.extra] } } : {}),
    ...(replaces ? { replaces } : {}),
  };
}

/** The dates of an item that a step is about, as they are now. */
function datesOfItem(item: Item, about: Dates): Dates {
  const names = ['opens', 'closes', 'due'] as const;
  return Object.fromEntries(
    names.filter((name) => about[name] !== undefined).map((name) => [name, item[name]]),
  );
}

function dated(item: Item, to: Dates): Item {
  const pick = (value: string | null | undefined, old: Item['due']) =>
    value === undefined ? old : (value as Item['due']);
  return {
    ...item,
    opens: pick(to.opens, item.opens),
    closes: pick(to.closes, item.closes),
    due: pick(to.due, item.due),
  };
}
