import { z } from 'zod';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { followItems } from '@/core/time/follow-items';
import { defineAction, freely, setsByRef, withItems } from '@/core/plan/action/action';

const dateNames = ['opens', 'closes', 'due'] as const;
const fields = z.array(z.enum(dateNames)).min(1);
const value = z.strictObject({
  opens: z.string().nullable().optional(),
  closes: z.string().nullable().optional(),
  due: z.string().nullable().optional(),
});

/** Takes dates of items away. An event without a date is none, so events have no such step. */
export const clearDates = defineAction({
  name: 'clear-dates',
  label: 'Clear dates of',
  title: 'Clear dates',
  toDo: ({ title, sets }) => ({
    what: `Clear the dates of “${title}” (${sets.clear.join(', ')}).`,
    lookFor: 'It shows no such date any more.',
  }),
  decides: 'dates',
  isSetting: true,
  isOfOutline: true,
  nothing: 'it has no such date',
  phase: 'change',
  on: ['item'],
  only: 'only items can be without dates; delete an event instead',
  joins: true,
  params: z.strictObject({ fields: fields.optional() }),
  perTarget: [],
  expects: value,
  sets: z.strictObject({ clear: fields }),
  setsOf: (params) => ({ clear: params.fields ?? [...dateNames] }),
  paramsOf: (targets) => ({ fields: [...(targets[0]?.sets.clear ?? dateNames)] }),
  now: (shell, ref, sets) => {
    const item = outlineOf(shell).byRef.get(ref as ItemRef);
    return item ? Object.fromEntries(sets.clear.map((name) => [name, item[name]])) : null;
  },
  isSet: (now) => Object.values(now).every((date) => date === null),
  apply: (shell, targets) => {
    const wanted = setsByRef(targets);
    const cleared = withItems(shell, (item) => {
      const to = wanted.get(item.ref);
      if (to === undefined) return item;
      return { ...item, ...Object.fromEntries(to.clear.map((name) => [name, null])) };
    });
    return freely(followItems(shell, cleared));
  },
});
