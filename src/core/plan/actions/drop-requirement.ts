import { givenFor } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { defineAction, freely, recordOf, setsByRef, withItems } from '@/core/plan/action/action';

const refs = z.array(z.string());

/** Takes requirements away; those that are not named stay. */
export const dropRequirement = defineAction({
  name: 'drop-requirement',
  label: 'Drop requirements of',
  title: 'Drop requirements',
  toDo: ({ title, sets, titleOf }) => ({
    what: `Let “${title}” open without ${sets.drop.map((ref) => `“${titleOf(ref)}”`).join(', ')}.`,
    lookFor: 'It does not ask for that first any more.',
  }),
  isSetting: true,
  nothing: 'it does not require that',
  phase: 'change',
  on: ['item'],
  only: 'only items require others',
  joins: true,
  params: z.strictObject({ requirements: refRecord(refs) }),
  perTarget: ['requirements'],
  expects: z.strictObject({ requires: refs }),
  sets: z.strictObject({ drop: refs }),
  setsOf: (params, ref) => givenFor('drop', params.requirements, ref),
  paramsOf: (targets) => ({ requirements: recordOf(targets, (sets) => [...sets.drop]) }),
  now: (shell, ref, sets) => {
    const requires = outlineOf(shell).byRef.get(ref as ItemRef)?.requires;
    return requires ? { requires: sets.drop.filter((r) => requires.includes(r as ItemRef)) } : null;
  },
  isSet: (now) => now.requires.length === 0,
  apply: (shell, targets) => {
    const wanted = setsByRef(targets);
    return freely(
      withItems(shell, (item) => {
        const drop = wanted.get(item.ref)?.drop;
        return drop ? { ...item, requires: item.requires.filter((ref) => !drop.includes(ref)) } : item;
      }),
    );
  },
});
