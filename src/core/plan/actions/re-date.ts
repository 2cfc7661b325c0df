import { z } from 'zod';
import { eventOfShell } from '@/core/shell/find-things';
import type { Item } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/shell/refs';
import { cannotMove, moveEvents } from '@/core/time/change-events';
import type { LocalDateTime } from '@/core/time/local-date';
import { defineAction, recordOf, setsByRef, withItems } from './action';

const moment = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}$/, 'write a moment as 2027-01-11T09:00:00');
/** A date that is not named stays; null clears it. An event has a start and nothing else. */
const dates = z.strictObject({
  opens: moment.nullable().optional(),
  closes: moment.nullable().optional(),
  due: moment.nullable().optional(),
  start: moment.optional(),
});
type Dates = z.output<typeof dates>;

/** Gives items and events other dates. */
export const reDate = defineAction({
  name: 're-date',
  label: 'Re-date',
  nothing: 'the dates are the same',
  phase: 'change',
  on: ['item', 'event'],
  only: 'it has no dates; items and events have',
  joins: true,
  params: z.strictObject({ dates: z.record(z.string(), dates) }),
  perTarget: ['dates'],
  expects: dates,
  sets: dates,
  setsOf: (params, ref) => params.dates[ref] ?? null,
  paramsOf: (targets) => ({ dates: recordOf(targets, (sets) => sets) }),
  now: (shell, ref, sets) => {
    const item = outlineOf(shell).byRef.get(ref as ItemRef);
    if (item) return datesOfItem(item, sets);
    const event = eventOfShell(shell, ref);
    return event ? { start: event.start } : null;
  },
  isSet: (now, sets) => Object.entries(sets).every(([name, value]) => now[name as keyof Dates] === value),
  apply: (shell, targets) => {
    const wanted = setsByRef(targets);
    const blocked = new Map<string, string>();
    const starts = new Map<string, LocalDateTime>();
    for (const { ref, sets } of targets) {
      const event = eventOfShell(shell, ref);
      if (!event || outlineOf(shell).byRef.has(ref as ItemRef)) {
        if (sets.start !== undefined) blocked.set(ref, 'an item has no start; give it opens, closes or due');
        continue;
      }
      const start = sets.start as LocalDateTime | undefined;
      const reason =
        start === undefined ? 'an event has a start and no other date' : cannotMove(shell, event, start);
      if (reason === null && start !== undefined) starts.set(ref, start);
      else blocked.set(ref, reason ?? '');
    }
    const items = withItems(shell, (item) => {
      const to = blocked.has(item.ref) ? undefined : wanted.get(item.ref);
      return to === undefined ? item : dated(item, to);
    });
    return { shell: starts.size ? moveEvents(items, starts) : items, blocked };
  },
});

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
