import { z } from 'zod';
import { deleteThings } from '../deletion/delete-things';
import { refsOf } from '../refs-of-shell';
import { goingInAreas, resetAreas, type ResetArea } from '../reset/areas';
import { defineAction } from './action';

const area = z.enum(resetAreas);
const params = z.strictObject({ keep: z.array(z.string()).optional() });

/**
 * Empties parts of a shell. A plan file names the areas and what to keep; the step names every thing that goes. Links
 * from what stays to what goes are taken out.
 */
export const resetArea = defineAction({
  name: 'reset-area',
  label: 'Reset',
  nothing: 'it is gone already',
  phase: 'delete',
  on: ['item', 'file', 'event', 'bank', 'gradeCategory', 'gradeColumn', 'group'],
  only: 'it is no area; choose among items, outside, files, events and the others',
  joins: true,
  params,
  perTarget: [],
  expects: z.strictObject({ type: z.string() }),
  sets: z.strictObject({ area }),
  expand: (written: z.output<typeof params>, targets, shell) => {
    const areas = targets.filter((name): name is ResetArea => area.safeParse(name).success);
    const going = goingInAreas(shell, areas, written.keep ?? []);
    const unknown = targets.filter((name) => !area.safeParse(name).success);
    return [
      ...[...going].map(([ref, of]) => ({ ref, sets: { area: of } })),
      ...unknown.map((ref) => ({ ref, sets: { area: 'items' as const } })),
    ];
  },
  setsOf: () => null,
  writtenTargets: (targets) => [...new Set(targets.map(({ sets }) => sets.area))],
  paramsOf: (): z.output<typeof params> => ({}),
  now: (shell, ref) => {
    const type = refsOf(shell).typeOf(ref);
    return type === null ? null : { type };
  },
  isSet: () => false,
  apply: (shell, targets) =>
    deleteThings(shell, new Map(targets.map(({ ref }) => [ref, 'take-out' as const]))),
});
