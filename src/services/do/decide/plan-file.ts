import { namesInSteps } from '@/core/plan/plan-names';
import { planSchema, writeStep } from '@/core/plan/written-step';
import { good, type Result } from '@/core/shell/result';
import type { z } from 'zod';
import type { Context } from '@/services/keep/desks/context';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';
import { changePlan, type AddedStep } from './change-plan';
import type { NotTaken } from '@/services/do/drafts/draft-plan-file';
import { planOf } from '@/services/keep/plan/plan';

export type PlanFile = z.output<typeof planSchema>;

/** The plan of a shell as a file (plan/1), for the command line, for later, or for another shell. */
export function planFile(folder: OpenFolder, shell: CurrentShell): PlanFile {
  const rows = planOf(folder.db, shell.row.id);
  const steps = rows.map((row) => ({ ...writeStep(row.step), from: row.findingId ?? 'hand' }));
  const now = shellOf(folder.blobs, blobHash.parse(shell.version.stateBlob));
  return planSchema.parse({
    schema: 'currycomb.plan/1',
    base: shell.version.fingerprint,
    steps,
    names: namesInSteps(now, steps),
  });
}

/** What came of a plan that was taken in: its steps, and what was not found in this shell. */
export interface TakenPlan extends NotTaken {
  readonly added: readonly AddedStep[];
}

/** Adds the steps of a plan file behind the plan so far. */
export async function takePlanIn(
  context: Context,
  shell: CurrentShell,
  text: string,
): Promise<Result<TakenPlan>> {
  const changed = await changePlan(context, shell.row.id, 'plan-file', text);
  return changed.ok ? good({ ...changed.value.told, added: changed.value.added }) : changed;
}
