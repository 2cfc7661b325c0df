import { stepsForShell } from '@/core/plan/plan-names';
import { planSchema } from '@/core/plan/written-step';
import { bad, good, type Result } from '@/core/shell/result';
import type { OpenFolder } from '../open-folder';
import type { CurrentShell } from '../shells/current-shell';
import { DraftPlan, type Drafted } from './draft-plan';

/** What a plan file holds that this shell can’t take. */
export interface NotTaken {
  /** Things that were not found in this shell, by title. */
  readonly missing: readonly string[];
  /** Steps that could not be read at all, each in one sentence. */
  readonly unread: readonly string[];
}

/** The steps of a plan file behind the plan so far; things are found by ref, else by title and place. */
export function draftPlanFile(
  folder: OpenFolder,
  shell: CurrentShell,
  value: unknown,
): Result<Drafted<NotTaken>> {
  const parsed = planSchema.safeParse(value);
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    return bad(
      'plan-unreadable',
      `That is no plan of Currycomb: ${issue?.path.join('.') || 'the file'}: ${issue?.message ?? 'not understood'}.`,
    );
  }
  const plan = DraftPlan.of(folder, shell);
  if (!plan.ok) return plan;
  const { steps, missing } = stepsForShell(plan.value.shell(), parsed.data.steps, parsed.data.names ?? {});
  const unread: string[] = [];
  for (const step of steps) {
    const tried = plan.value.add({ ...step, from: 'hand' });
    if (!tried.ok) unread.push(tried.trouble.message);
  }
  return good({ told: { missing, unread }, draft: plan.value.draft() });
}
