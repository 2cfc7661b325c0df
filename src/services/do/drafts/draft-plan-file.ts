import { readAs, sayMisfit } from '@/core/schema/read-as';
import { stepsForShell } from '@/core/plan/plan-names';
import { planSchema } from '@/core/plan/written-step';
import { bad, good, type Result } from '@/core/shell/result';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { DraftPlan } from './draft-plan';
import type { Drafted } from '@/services/keep/plan/plan-draft';

/** What a plan file holds that this shell can’t take. */
export interface NotTaken {
  /** Things that were not found in this shell, by title. */
  readonly missing: readonly string[];
  /** Steps that could not be read at all, each in one sentence. */
  readonly unread: readonly string[];
}

/** A plan may name each thing of the largest shell; what is longer would keep its screen waiting for minutes. */
const mostSteps = 20_000;
const mostTargets = 200_000;

function parsedJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** The steps of a plan file behind the plan so far; things are found by ref, else by title and place. */
export function draftPlanFile(
  folder: OpenFolder,
  shell: CurrentShell,
  text: string,
): Result<Drafted<NotTaken>> {
  const parsed = readAs(planSchema, parsedJson(text));
  if (!parsed.ok)
    return bad('plan-unreadable', `This is not a Currycomb plan (${sayMisfit(parsed.misfit)}).`);
  const targets = parsed.value.steps.reduce((n, step) => n + step.targets.length, 0);
  if (parsed.value.steps.length > mostSteps || targets > mostTargets)
    return bad(
      'plan-too-large',
      `This plan has ${parsed.value.steps.length.toLocaleString('en')} steps with ${targets.toLocaleString('en')} targets. Import at most ${mostSteps.toLocaleString('en')} steps and ${mostTargets.toLocaleString('en')} targets at a time.`,
    );
  const plan = DraftPlan.of(folder, shell);
  if (!plan.ok) return plan;
  const { steps, missing } = stepsForShell(plan.value.shell(), parsed.value.steps, parsed.value.names ?? {});
  const unread: string[] = [];
  for (const step of steps) {
    const tried = plan.value.add({ ...step, from: 'hand' });
    if (!tried.ok) unread.push(tried.trouble.message);
  }
  return good({ told: { missing, unread }, draft: plan.value.draft() });
}
