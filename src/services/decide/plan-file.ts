import { namesInSteps, stepsForShell } from '@/core/plan/plan-names';
import { planSchema, writeStep } from '@/core/plan/written-step';
import { bad, good, type Result } from '@/core/shell/result';
import type { z } from 'zod';
import type { Context } from '../context';
import { findShell, type CurrentShell } from '../shells/current-shell';
import { blobHash, shellOf } from '../shells/kept-state';
import { addByHand, type AddedStep } from './edit-plan';
import { plannedShell } from './planned-shell';
import { rulesFor } from '../house-rules/house-rules';
import { rulesFrom } from '../house-rules/written-rules';
import { planOf } from './plan';

export type PlanFile = z.output<typeof planSchema>;

/** The plan of a shell as a file (plan/1), for the command line, for later, or for another shell. */
export function planFile(context: Context, shell: CurrentShell): PlanFile {
  const rows = planOf(context.db, shell.row.id);
  const steps = rows.map((row) => ({ ...writeStep(row.step), from: row.findingId ?? 'hand' }));
  const now = shellOf(context.blobs, blobHash.parse(shell.version.stateBlob));
  return planSchema.parse({
    schema: 'currycomb.plan/1',
    base: shell.version.fingerprint,
    steps,
    names: namesInSteps(now, steps),
  });
}

/** What came of a plan that was taken in: its steps, and what was not found in this shell. */
export interface TakenPlan {
  readonly added: readonly AddedStep[];
  readonly missing: readonly string[];
  /** Steps that could not be read at all, each in one sentence. */
  readonly unread: readonly string[];
}

/** Adds the steps of a plan file behind the plan so far; things are found by ref, else by title and place. */
export function takePlanIn(context: Context, shell: CurrentShell, value: unknown): Result<TakenPlan> {
  const parsed = planSchema.safeParse(value);
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    return bad(
      'plan-unreadable',
      `That is no plan of Currycomb: ${issue?.path.join('.') || 'the file'}: ${issue?.message ?? 'not understood'}.`,
    );
  }
  const rules = rulesFrom(rulesFor(context, shell.row).written);
  if (!rules.ok) return rules;
  const { steps, missing } = stepsForShell(
    plannedShell(context, shell, rules.value),
    parsed.data.steps,
    parsed.data.names ?? {},
  );
  const added: AddedStep[] = [];
  const unread: string[] = [];
  for (const step of steps) {
    const now = findShell(context, shell.row.id) ?? shell;
    const result = addByHand(context, now, { ...step, from: 'hand' });
    if (result.ok) added.push(result.value);
    else unread.push(result.trouble.message);
  }
  return good({ added, missing, unread });
}
