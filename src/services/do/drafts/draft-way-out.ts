import { z } from 'zod';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { writtenStepSchema } from '@/core/plan/written-step';
import { bad, good, type Result } from '@/core/shell/result';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { bareShellOf } from '@/services/keep/shells/subject-detail';
import { DraftPlan } from './draft-plan';
import type { Drafted } from '@/services/keep/plan/plan-draft';

export const wayOutSchema = z.strictObject({
  /** What is blocked: the action and its target. */
  action: z.string(),
  ref: z.string(),
  steps: z.array(writtenStepSchema).min(1).max(5),
  /** Where student work goes for good: the title, typed. */
  typed: z.string().optional(),
});
export type WayOutForm = z.output<typeof wayOutSchema>;

/** Steps that do what a blocked one can’t; the blocked target leaves its step. */
export function draftWayOut(
  folder: OpenFolder,
  shell: CurrentShell,
  form: WayOutForm,
): Result<Drafted<null>> {
  const title = refsOf(bareShellOf(folder, shell)).titleOf(form.ref);
  const losesWork = form.steps.some(({ params }) => 'withStudentWork' in params);
  if (losesWork && form.typed?.trim() !== title.trim())
    return bad('not-typed', `Type “${title}” just as it is written to let its student work go for good.`);
  const plan = DraftPlan.of(folder, shell, { action: form.action, ref: form.ref });
  if (!plan.ok) return plan;
  for (const step of form.steps) {
    const tried = plan.value.add(step);
    if (!tried.ok) return tried;
  }
  return good({ told: null, draft: plan.value.draft() });
}
