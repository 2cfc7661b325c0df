import { z } from 'zod';
import type { Shell } from '@/core/shell/model';
import { deleteThings } from '../deletion/delete-things';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { areasByRef, resetAreas, type ResetArea } from '@/core/plan/areas/areas';
import { withStudentWork } from '@/core/plan/areas/student-work';
import { whatGoes } from '@/core/plan/areas/what-goes';
import { defineAction, type Target } from '@/core/plan/action/action';

const area = z.enum(resetAreas);
const params = z.strictObject({
  /** Refs of what stays, with what it needs. */
  keep: z.array(z.string()).optional(),
  /** The targets are the things that go, one by one, and no areas. */
  things: z.literal(true).optional(),
  /** How many things that go have student work: the right number lets them go. */
  withStudentWork: z.int().min(0).optional(),
});
type Params = z.output<typeof params>;
const sets = z.strictObject({ area, withStudentWork: z.number().optional() });
type Sets = z.output<typeof sets>;

/**
 * Empties parts of a shell. A plan by hand names the areas and what to keep; the step, and a plan file that is written
 * from it, name every thing that goes. Links from what stays to what goes are taken out; files and grade columns go only
 * where they are named.
 */
export const resetArea = defineAction({
  name: 'reset-area',
  label: 'Reset',
  title: 'Reset',
  toDo: ({ title }) => ({ what: `Delete “${title}”.`, lookFor: 'It is not listed any more.' }),
  nothing: 'it is gone already',
  phase: 'delete',
  on: ['item', 'file', 'event', 'bank', 'gradeCategory', 'gradeColumn', 'group'],
  only: 'it is no area; choose among items, outside, files, events and the others',
  joins: true,
  params,
  perTarget: [],
  expects: z.strictObject({ type: z.string() }),
  sets,
  expand: (written, targets, shell) => {
    const number = written.withStudentWork;
    const setsFor = (of: ResetArea): Sets => ({
      area: of,
      ...(number === undefined ? {} : { withStudentWork: number }),
    });
    return [...goingBy(written, targets, shell)].map(([ref, of]) => ({ ref, sets: setsFor(of) }));
  },
  setsOf: () => null,
  paramsOf: (targets): Params => {
    const number = targets[0]?.sets.withStudentWork;
    return { things: true, ...(number === undefined ? {} : { withStudentWork: number }) };
  },
  now: (shell, ref) => {
    const type = refsOf(shell).typeOf(ref);
    return type === null ? null : { type };
  },
  isSet: () => false,
  apply: (shell, targets) =>
    deleteThings(shell, new Map(targets.map(({ ref }) => [ref, 'take-out' as const])), {
      onlyNamed: true,
      overStudentWork: isNumberRight(shell, targets) ? everything : nothing,
    }),
});

/** What goes, each with its area; what is neither an area nor a thing stays among them and is told when it is tried. */
function goingBy(
  { things, keep }: Params,
  targets: readonly string[],
  shell: Shell,
): ReadonlyMap<string, ResetArea> {
  if (things) {
    const areas = areasByRef(shell);
    return new Map(targets.map((ref) => [ref, areas.get(ref) ?? 'items']));
  }
  const named = targets.filter((name): name is ResetArea => area.safeParse(name).success);
  const unknown = targets.filter((name) => !area.safeParse(name).success);
  const { going } = whatGoes(shell, named, keep ?? []);
  return new Map([...going, ...unknown.map((ref) => [ref, 'items'] as const)]);
}

const everything = { has: () => true };
const nothing = { has: () => false };

/** Whether the number that was told is that of the things with student work that go. */
function isNumberRight(shell: Shell, targets: readonly Target<unknown, Sets>[]): boolean {
  const told = targets[0]?.sets.withStudentWork;
  if (told === undefined) return false;
  const refs = new Set(targets.map(({ ref }) => ref));
  return withStudentWork(shell, refs).length === told;
}
