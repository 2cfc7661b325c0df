import type { StepEdits } from './split-edits';
import { troublesOf } from '@/core/shell/invariants';
import type { Shell } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import { tryEdits } from '@/core/edits/apply-edits';
import { invertEdits, keyOf, type Edit, type ListName, type PlacedThing } from '@/core/edits/edit';

/**
 * Takes some steps of a run back out of a shell that may have changed since. Trouble `done-together` where a change goes
 * back to other steps as well, `edit-misfit` where something later stands on it, `unsound` where what would be left does
 * not hold together. `before` is the shell that the run began from: it tells where things stood.
 */
export function takeStepsBack(
  shell: Shell,
  before: Shell,
  changes: readonly StepEdits[],
  steps: ReadonlySet<number>,
): Result<Shell> {
  const wanted = changes.filter((change) => change.steps.some((step) => steps.has(step)));
  if (wanted.some((change) => !change.steps.every((step) => steps.has(step))))
    return bad(
      'done-together',
      'This step changed things together with other steps of the run, so it can’t be taken back alone; take back the whole run.',
    );
  let now = shell;
  for (const { edits } of [...wanted].reverse())
    for (const edit of invertEdits(edits)) {
      const next = tryEdits(now, [anchored(edit, now, before)]);
      if (!next.ok)
        return bad(
          'edit-misfit',
          `It can’t be taken back, since something later stands on it: ${next.trouble.message}. Take that back first.`,
        );
      now = next.value;
    }
  const old = new Set(troublesOf(shell));
  const fresh = troublesOf(now).find((trouble) => !old.has(trouble));
  if (fresh !== undefined)
    return bad(
      'unsound',
      `It can’t be taken back alone, since something later stands on it (${fresh}). Take that back first.`,
    );
  return good(now);
}

/** A thing that comes back stands behind the nearest of those that stood before it then and are there now. */
function anchored(edit: Edit, now: Shell, before: Shell): Edit {
  if (edit.op !== 'insert') return edit;
  const list: ListName = edit.list;
  const here = new Set<string>([...now[list].map(keyOf), ...edit.things.map(({ thing }) => keyOf(thing))]);
  const order = before[list].map(keyOf);
  const places = new Map(order.map((key, at) => [key, at]));
  const things = edit.things.map((placed: PlacedThing<ListName>) => {
    if (placed.after === null || here.has(placed.after)) return placed;
    let at = (places.get(keyOf(placed.thing)) ?? 0) - 1;
    while (at >= 0 && !here.has(order[at] ?? '')) at -= 1;
    return { ...placed, after: order[at] ?? null };
  });
  return { ...edit, things } as Edit;
}
