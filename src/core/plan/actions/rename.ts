import { givenFor } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { renameEvent } from '@/core/time/change-events';
import type { Shell } from '@/core/shell/model';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { defineAction, freely, mapped, recordOf, setsByRef } from '@/core/plan/action/action';

const title = z.string().trim().min(1).max(1000);
const value = z.strictObject({ title });

/** Gives things another title: items, events, grade categories and grade columns. */
export const rename = defineAction({
  name: 'rename',
  label: 'Rename',
  title: 'Rename',
  toDo: ({ title: now, sets }) => ({
    what: `Rename “${now}” to “${sets.title}”.`,
    lookFor: `It is called “${sets.title}”.`,
  }),
  decides: 'title',
  isSetting: true,
  lastCounts: true,
  isDivisible: true,
  isOfOutline: true,
  nothing: 'it is called so already',
  phase: 'change',
  on: ['item', 'event', 'gradeCategory', 'gradeColumn'],
  only: 'it can’t be renamed; items, events, grade categories and grade columns can',
  joins: true,
  params: z.strictObject({ titles: refRecord(title) }),
  perTarget: ['titles'],
  expects: z.strictObject({ title: z.string() }),
  sets: value,
  setsOf: (params, ref) => givenFor('title', params.titles, ref),
  paramsOf: (targets) => ({ titles: recordOf(targets, (sets) => sets.title) }),
  now: (shell, ref) => {
    const refs = refsOf(shell);
    return refs.typeOf(ref) === null ? null : { title: refs.titleOf(ref) };
  },
  isSet: (now, sets) => now.title === sets.title,
  apply: (shell, targets) => {
    const wanted = setsByRef(targets);
    const named = <T extends { readonly ref: string; readonly title: string }>(thing: T): T => {
      const to = wanted.get(thing.ref);
      return to === undefined ? thing : { ...thing, title: to.title };
    };
    const next: Shell = {
      ...shell,
      items: mapped(shell.items, named),
      gradeCategories: mapped(shell.gradeCategories, named),
      gradeColumns: mapped(shell.gradeColumns, named),
    };
    const events = targets.filter((target) => refsOf(shell).typeOf(target.ref) === 'event');
    return freely(events.reduce((now, event) => renameEvent(now, event.ref, event.sets.title), next));
  },
});
