import { entryOf } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { columnOfShell } from '@/core/shell/find-things';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { defineAction, freely, mapped, recordOf, setsByRef } from '@/core/plan/action/action';

const points = z.number().min(0).nullable();
const value = z.strictObject({ points });

/** Says how many points an activity or a grade column gives; null: nobody told. */
export const setPoints = defineAction({
  name: 'set-points',
  label: 'Set points of',
  title: 'Set points',
  toDo: ({ title, sets }) => ({
    what: `Set the points of “${title}” to ${sets.points ?? 'none'}.`,
    lookFor: 'It shows the new points.',
  }),
  decides: 'points',
  isSetting: true,
  lastCounts: true,
  isOfOutline: true,
  nothing: 'it has these points already',
  phase: 'change',
  on: ['item', 'gradeColumn'],
  only: 'it gives no points; activities and grade columns do',
  joins: true,
  params: z.strictObject({ points: refRecord(points) }),
  perTarget: ['points'],
  expects: value,
  sets: value,
  setsOf: (params, ref) => {
    const to = entryOf(params.points, ref);
    return to === undefined ? null : { points: to };
  },
  paramsOf: (targets) => ({ points: recordOf(targets, (sets) => sets.points) }),
  now: (shell, ref) => {
    const thing = outlineOf(shell).byRef.get(ref as ItemRef) ?? columnOfShell(shell, ref);
    return thing ? { points: thing.points } : null;
  },
  isSet: (now, sets) => now.points === sets.points,
  apply: (shell, targets) => {
    const wanted = setsByRef(targets);
    const pointed = <T extends { readonly ref: string; readonly points: number | null }>(thing: T): T => {
      const to = wanted.get(thing.ref);
      return to === undefined ? thing : { ...thing, points: to.points };
    };
    return freely({
      ...shell,
      items: mapped(shell.items, pointed),
      gradeColumns: mapped(shell.gradeColumns, pointed),
    });
  },
});
