import { z } from 'zod';
import { refsOf } from '@/core/plan/refs-of-shell';
import { writtenStepSchema } from '@/core/plan/written-step';
import { bad, good, type Result } from '@/core/shell/result';
import type { Context } from '../context';
import { findShell, type CurrentShell } from '../shells/current-shell';
import { bareShellOf } from '../shells/subject-detail';
import { addByHand, editPlan, type EditedPlan } from './edit-plan';
import { planOf } from './plan';

export const wayOutSchema = z.strictObject({
  /** What is blocked: the action and its target. */
  action: z.string(),
  ref: z.string(),
  steps: z.array(writtenStepSchema).min(1).max(5),
  /** Where student work goes for good: the title, typed. */
  typed: z.string().optional(),
});
type WayOutForm = z.output<typeof wayOutSchema>;

/** Puts steps into the plan that do what a blocked one can’t; the blocked target leaves its step. */
export function takeWayOut(context: Context, shell: CurrentShell, form: WayOutForm): Result<EditedPlan> {
  const title = refsOf(bareShellOf(context, shell)).titleOf(form.ref);
  const losesWork = form.steps.some(({ params }) => 'withStudentWork' in params);
  if (losesWork && form.typed?.trim() !== title.trim())
    return bad('not-typed', `Type “${title}” just as it is written to let its student work go for good.`);
  const rows = planOf(context.db, shell.row.id).filter(
    ({ step }) => step.action === form.action && step.targets.some(({ ref }) => ref === form.ref),
  );
  for (const { id } of rows) {
    const left = editPlan(context, nowOf(context, shell), { edit: 'without', id, refs: [form.ref] });
    if (!left.ok) return left;
  }
  for (const step of form.steps) {
    const added = addByHand(context, nowOf(context, shell), step);
    if (!added.ok) return added;
  }
  return good({ planSize: nowOf(context, shell).plan.size });
}

/** The shell as it stands after the edit before. */
const nowOf = (context: Context, shell: CurrentShell): CurrentShell =>
  findShell(context, shell.row.id) ?? shell;
