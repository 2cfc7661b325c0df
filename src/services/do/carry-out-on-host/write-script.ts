import { tryEdits } from '@/core/edits/apply-edits';
import { joinEdits } from '@/core/edits/single-edits';
import { sealOf } from '@/core/plan/normalise';
import { runPlan } from '@/core/plan/run-plan';
import { scriptOf, undoScript, type ScriptLine } from '@/core/plan/script';
import { bad, good, type Result } from '@/core/shell/result';
import type { Sha256 } from '@/core/refs/refs';
import type { BlobStore } from '@/store/blobs';
import { rulesFrom } from '@/services/keep/rules/written-rules';
import { shellOf } from '@/services/keep/shells/kept-state';
import { batchSize } from '@/services/keep/runs/run-script';
import type { RunTask } from './run-task';

/** Works out what a run on a host is to do, change by change. */
export function writeScript(blobs: BlobStore, task: RunTask): Result<ScriptLine[]> {
  return task.what.is === 'plan'
    ? scriptOfPlan(blobs, task, task.what)
    : scriptOfUndo(blobs, task, task.what);
}

type PlanTask = Extract<RunTask['what'], { is: 'plan' }>;
type UndoTask = Extract<RunTask['what'], { is: 'undo' }>;

function scriptOfPlan(blobs: BlobStore, task: RunTask, what: PlanTask): Result<ScriptLine[]> {
  if (sealOf(what.sealed, task.versionId) !== what.seal)
    return bad(
      'seal-broken',
      'The steps are not those that were rehearsed, so nothing was changed; rehearse the plan again.',
    );
  const rules = rulesFrom(task.rules);
  if (!rules.ok) return rules;
  const run = runPlan(shellOf(blobs, task.stateBlob), what.steps, rules.value);
  const differs = run.results.find((result) => result.outcome !== 'done');
  if (differs)
    return bad(
      'not-as-rehearsed',
      `“${differs.titles[0] ?? ''}” can’t be done without what has to be done by hand first (${differs.reason ?? differs.outcome}), so nothing was changed; take it out of the plan, or do that first.`,
    );
  return good(scriptOf(run));
}

function scriptOfUndo(blobs: BlobStore, task: RunTask, what: UndoTask): Result<ScriptLine[]> {
  const script: ScriptLine[] = [];
  for (const part of what.parts) {
    const lines = readScript(blobs, part.scriptBlob);
    const wanted = new Set(part.steps ?? part.sequences.map(([step]) => step));
    const done = lines.filter((_, at) => {
      const outcome = part.outcomes[Math.floor(at / batchSize)]?.[at % batchSize];
      return outcome?.is === 'done';
    });
    const touched = done.filter(({ steps }) => steps.some((step) => wanted.has(step)));
    if (touched.some(({ steps }) => !steps.every((step) => wanted.has(step))))
      return bad(
        'done-together',
        'This step changed things together with other steps of the run, so it can’t be taken back alone; take back the whole run.',
      );
    const renumber = new Map(part.sequences);
    for (const { edit, steps } of undoScript(touched))
      script.push({ edit, steps: steps.flatMap((step) => renumber.get(step) ?? []) });
  }
  const tried = tryEdits(shellOf(blobs, task.stateBlob), joinEdits(script.map(({ edit }) => edit)));
  if (!tried.ok)
    return bad(
      'edit-misfit',
      `It can’t be taken back, since something later stands on it: ${tried.trouble.message}. Take that back first.`,
    );
  return good(script);
}

/** A script as a blob keeps it. */
export const keepScript = (blobs: BlobStore, script: readonly ScriptLine[]): Sha256 =>
  blobs.put(JSON.stringify(script));

export function readScript(blobs: BlobStore, hash: string): ScriptLine[] {
  const bytes = blobs.read(hash as Sha256);
  if (!bytes) throw new Error('what this run does is not in the store any more');
  return JSON.parse(bytes.toString('utf8')) as ScriptLine[];
}
