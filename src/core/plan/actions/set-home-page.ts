import { entryOf } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import type { Shell } from '@/core/shell/model';
import { defineAction, recordOf } from '@/core/plan/action/action';

const refs = z.array(z.string());

/** Puts a home page into use instead of the one that is. */
export const setHomePage = defineAction({
  name: 'set-home-page',
  label: 'Set as home page',
  title: 'Set as home page',
  toDo: ({ title }) => ({
    what: `Make “${title}” the home page.`,
    lookFor: 'The course opens with it.',
  }),
  nothing: 'it is the home page in use already',
  phase: 'change',
  on: ['item', 'homePage'],
  only: 'it is no home page of this shell',
  params: z.strictObject({ instead: refRecord(refs).optional() }),
  perTarget: ['instead'],
  expects: z.strictObject({ inUse: z.boolean().nullable(), others: refs }),
  sets: z.strictObject({ instead: refs }),
  setsOf: (params, ref, shell) => ({
    instead: entryOf(params.instead, ref) ?? inUse(shell).filter((r) => r !== ref),
  }),
  paramsOf: (targets) => ({ instead: recordOf(targets, (sets) => [...sets.instead]) }),
  now: (shell, ref) => {
    const page = shell.homePages.find((h) => h.ref === ref);
    return page ? { inUse: page.inUse, others: inUse(shell).filter((r) => r !== ref) } : null;
  },
  isSet: (now) => now.inUse === true && now.others.length === 0,
  apply: (shell, targets) => {
    const [chosen, ...more] = targets;
    const reason = 'only one home page can be in use; choose one';
    const blocked = new Map(more.map((target) => [target.ref, reason]));
    const homePages = shell.homePages.map((page) => {
      if (page.ref === chosen?.ref) return { ...page, inUse: true };
      return chosen?.sets.instead.includes(page.ref) ? { ...page, inUse: false } : page;
    });
    return { shell: { ...shell, homePages }, blocked };
  },
});

const inUse = (shell: Shell): string[] => shell.homePages.filter((h) => h.inUse === true).map((h) => h.ref);
