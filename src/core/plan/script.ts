import { append } from '@/core/collect';
import { applyEdits } from '@/core/edits/apply-edits';
import { invertEdits, keyOf, type Edit, type ListName } from '@/core/edits/edit';
import { joinEdits, singleEdits } from '@/core/edits/single-edits';
import type { Shell } from '@/core/shell/model';
import { batchesOf } from './batches';
import type { PlanRun } from './run-plan';
import type { StepEdits } from './split-edits';

/** One change to one thing, and the steps that bring it about, by their places in the run’s list. */
export interface ScriptLine {
  readonly edit: Edit;
  readonly steps: readonly number[];
}

/**
 * What a run does, change by change, in an order in which no guard is broken at any moment: what is new comes before
 * what refers to it, links and moves before what is taken away, and inside a removal what is inside comes before what is
 * around it. Applied in this order the lines lead to exactly what was rehearsed; `undoScript` leads back.
 */
export function scriptOf(run: Pick<PlanRun, 'before' | 'steps' | 'changes'>): ScriptLine[] {
  const script: ScriptLine[] = [];
  let now = run.before;
  for (const changes of changesByBatch(run)) {
    const lines = changes.flatMap(({ steps, edits }) =>
      singleEdits(edits).map((edit): ScriptLine => ({ edit, steps })),
    );
    const isRemoval = ({ edit }: ScriptLine) => edit.op === 'remove';
    const first = lines.filter((line) => !isRemoval(line)).sort((a, b) => rankOf(a.edit) - rankOf(b.edit));
    now = applyEdits(now, joinEdits(first.map(({ edit }) => edit)));
    const removals = removalLines(now, lines.filter(isRemoval));
    now = applyEdits(now, joinEdits(removals.map(({ edit }) => edit)));
    append(script, first);
    append(script, removals);
  }
  return script;
}

/** The way back from what lines of a script did, the last one first. */
export const undoScript = (lines: readonly ScriptLine[]): ScriptLine[] =>
  [...lines].reverse().map(({ edit, steps }) => ({ edit: invertEdits([edit])[0] ?? edit, steps }));

function changesByBatch({ steps, changes }: Pick<PlanRun, 'steps' | 'changes'>): StepEdits[][] {
  const batchOfStep = batchesOf(steps).flatMap((batch, n) => batch.map(() => n));
  const groups = new Map<number, StepEdits[]>();
  for (const change of changes) {
    const batch = batchOfStep[change.steps[0] ?? 0] ?? 0;
    const group = groups.get(batch);
    if (group) group.push(change);
    else groups.set(batch, [change]);
  }
  return [...groups.entries()].sort(([a], [b]) => a - b).map(([, group]) => group);
}

/** Contents stand before the lines of the outline that show them, categories before their columns. */
const newFirst: readonly ListName[] = [
  'contents',
  'entries',
  'files',
  'gradeCategories',
  'gradeColumns',
  'groups',
  'events',
  'items',
  'banks',
  'homePages',
];

function rankOf(edit: Edit): number {
  switch (edit.op) {
    case 'facts':
      return 0;
    case 'order':
      return 1;
    case 'insert':
      return 10 + newFirst.indexOf(edit.list);
    case 'change':
      // The new home page is in use before the old one is not.
      return edit.list === 'homePages' && !('inUse' in edit.after && edit.after.inUse === true) ? 31 : 30;
    case 'remove':
      return 50;
  }
}

/** Removals list by list, what refers before what is referred to; each list from its end, so that its order comes back. */
function removalLines(shell: Shell, lines: readonly ScriptLine[]): ScriptLine[] {
  const byList = new Map<ListName, Map<string, ScriptLine>>();
  for (const line of lines) {
    const { edit } = line;
    if (edit.op !== 'remove') continue;
    const [placed] = edit.things;
    if (!placed) continue;
    const known = byList.get(edit.list);
    if (known) known.set(keyOf(placed.thing), line);
    else byList.set(edit.list, new Map([[keyOf(placed.thing), line]]));
  }
  return [...newFirst].reverse().flatMap((list) => {
    const going = byList.get(list);
    return going ? fromTheEnd(shell, list, going) : [];
  });
}

function fromTheEnd(shell: Shell, list: ListName, going: ReadonlyMap<string, ScriptLine>): ScriptLine[] {
  const removals: ScriptLine[] = [];
  let after: string | null = null;
  for (const thing of shell[list]) {
    const key = keyOf(thing);
    const line = going.get(key);
    if (line) {
      const edit = { op: 'remove', list, things: [{ after, thing }] } as Edit;
      removals.push({ edit, steps: line.steps });
    }
    after = key;
  }
  return removals.reverse();
}
