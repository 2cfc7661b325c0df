import { entryOf } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { deleteThings } from '../deletion/delete-things';
import { thingsWithWork } from '@/core/plan/areas/student-work';
import { defineAction } from '@/core/plan/action/action';

const links = z.union([z.enum(['hold', 'take-out', 'leave-broken']), z.strictObject({ leadTo: z.string() })]);
const params = z.strictObject({
  /** Where links to what goes shall lead, ref to ref. */
  relink: refRecord(z.string()).optional(),
  /** Links to what goes, and requirements of it, are taken out. */
  unlink: z.boolean().optional(),
  /** Links to what goes may stay and lead nowhere. */
  leaveBroken: z.boolean().optional(),
  /** How many of the targets have student work: the right number lets it go, for good. */
  withStudentWork: z.int().min(0).optional(),
});
type Params = z.output<typeof params>;
const setsSchema = z.strictObject({ links, overWork: z.literal(true).optional() });
type Sets = z.output<typeof setsSchema>;
type Links = z.output<typeof links>;

function linksOf(params: Params, ref: string): Links {
  const leadTo = entryOf(params.relink, ref);
  if (leadTo !== undefined) return { leadTo };
  if (params.unlink) return 'take-out';
  return params.leaveBroken ? 'leave-broken' : 'hold';
}

/** Deletes things of every kind, with what only they use; guards look at all targets together. */
export const deleteAction = defineAction({
  name: 'delete',
  label: 'Delete',
  title: 'Delete',
  toDo: ({ title }) => ({ what: `Delete “${title}”.`, lookFor: 'It is not listed any more.' }),
  isDivisible: true,
  nothing: 'it is gone already',
  phase: 'delete',
  on: ['item', 'file', 'event', 'bank', 'gradeCategory', 'gradeColumn', 'group', 'homePage'],
  only: 'the shell itself can’t be deleted by a plan',
  joins: true,
  params,
  perTarget: ['relink'],
  expects: z.strictObject({ type: z.string() }),
  sets: setsSchema,
  setsOf: (written, ref): Sets => ({ links: linksOf(written, ref) }),
  expand: (written, targets, shell): { ref: string; sets: Sets }[] => {
    const work = thingsWithWork(shell);
    const worked = targets.filter((ref) => work.has(ref)).length;
    const isConfirmed = worked > 0 && worked === written.withStudentWork;
    return targets.map((ref) => ({
      ref,
      sets: {
        links: linksOf(written, ref),
        ...(isConfirmed && work.has(ref) ? { overWork: true as const } : {}),
      },
    }));
  },
  paramsOf: (targets): Params => {
    const led = targets.flatMap(({ ref, sets }) =>
      typeof sets.links === 'object' ? [[ref, sets.links.leadTo] as const] : [],
    );
    const others = targets.map(({ sets }) => sets.links).filter((l) => typeof l === 'string');
    const confirmed = targets.filter(({ sets }) => sets.overWork === true).length;
    return {
      ...(led.length ? { relink: Object.fromEntries(led) } : {}),
      ...(others.includes('take-out') ? { unlink: true } : {}),
      ...(others.includes('leave-broken') ? { leaveBroken: true } : {}),
      ...(confirmed > 0 ? { withStudentWork: confirmed } : {}),
    };
  },
  now: (shell, ref) => {
    const type = refsOf(shell).typeOf(ref);
    return type === null ? null : { type };
  },
  isSet: () => false,
  apply: (shell, targets) =>
    deleteThings(shell, new Map(targets.map(({ ref, sets }) => [ref, sets.links])), {
      overStudentWork: new Set(targets.filter(({ sets }) => sets.overWork).map(({ ref }) => ref)),
    }),
});
