import { desc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { keptPlans } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { textOf } from '@/services/keep/desks/stage-answer';
import { shellGone } from '@/services/keep/plan/plan-troubles';
import { takePlanIn, type PlanFile, type TakenPlan } from './plan-file';

/** A plan that is kept under a name, for later or for another shell. */
export interface KeptPlan {
  readonly name: string;
  readonly madeFor: string;
  readonly steps: number;
  readonly savedAt: string;
}

/** What can be done with plans under a name. */
export const keptPlanEditSchema = z.discriminatedUnion('edit', [
  z.strictObject({
    edit: z.literal('keep'),
    name: z.string().trim().min(1, 'give the plan a name').max(80, 'take a name of at most 80 characters'),
  }),
  z.strictObject({ edit: z.literal('drop'), name: z.string() }),
  /** Adds its steps to the plan of this shell. */
  z.strictObject({ edit: z.literal('use'), name: z.string() }),
]);
export type KeptPlanEdit = z.output<typeof keptPlanEditSchema>;

export interface KeptPlansAnswer {
  readonly plans: readonly KeptPlan[];
  /** What came of a plan that was used. */
  readonly taken: TakenPlan | null;
}

/** The kept plans, the newest first. */
export const listKeptPlans = ({ db }: Context): KeptPlan[] =>
  db
    .select({
      name: keptPlans.name,
      madeFor: keptPlans.madeFor,
      steps: keptPlans.steps,
      savedAt: keptPlans.savedAt,
    })
    .from(keptPlans)
    .orderBy(desc(keptPlans.savedAt))
    .all();

export async function editKeptPlans(
  context: Context,
  shell: CurrentShell,
  edit: KeptPlanEdit,
): Promise<Result<KeptPlansAnswer>> {
  switch (edit.edit) {
    case 'keep':
      if (shell.plan.size === 0) return bad('plan-empty', 'The plan is empty; plan something first.');
      if (!(await keepPlan(context, shell, edit.name))) return shellGone();
      return good({ plans: listKeptPlans(context), taken: null });
    case 'drop':
      context.db.delete(keptPlans).where(eq(keptPlans.name, edit.name)).run();
      return good({ plans: listKeptPlans(context), taken: null });
    case 'use': {
      const row = context.db.select().from(keptPlans).where(eq(keptPlans.name, edit.name)).get();
      if (!row)
        return bad('no-such-plan', `No plan is kept under the name “${edit.name}” any more; choose another.`);
      const taken = await takePlanIn(context, shell, row.plan);
      return taken.ok ? good({ plans: listKeptPlans(context), taken: taken.value }) : taken;
    }
  }
}

/** Keeps the plan as it is now; one of the same name is replaced. False where the shell is gone. */
async function keepPlan(context: Context, shell: CurrentShell, name: string): Promise<boolean> {
  const order = { shellId: shell.row.id, stage: 'plan-file', query: '' } as const;
  const plan = textOf(await context.stages.draw(order));
  if (plan === null) return false;
  const file = JSON.parse(plan) as PlanFile;
  const { code, title, termTitle } = shell.row;
  const kept = {
    madeFor: [code || title, termTitle].filter(Boolean).join(' · '),
    steps: file.steps.length,
    plan,
    savedAt: new Date().toISOString(),
  };
  context.db
    .insert(keptPlans)
    .values({ name, ...kept })
    .onConflictDoUpdate({ target: keptPlans.name, set: kept })
    .run();
  return true;
}
