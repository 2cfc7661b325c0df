import { eq } from 'drizzle-orm';
import type { AnyTarget, Step } from '@/core/plan/step';
import { digest } from '@/core/shell/digest';
import type { Db, Transaction } from '@/store/database';
import { planSteps, shells } from '@/store/schema';

export interface PlanRow {
  readonly id: string;
  readonly place: number;
  readonly findingId: string | null;
  readonly how: 'remedy' | 'other' | 'hand';
  readonly step: Step;
}

/** The plan of a shell: its steps in their order, each a value of its own. */
export const planOf = (db: Db | Transaction, shellId: string): PlanRow[] =>
  db
    .select()
    .from(planSteps)
    .where(eq(planSteps.shellId, shellId))
    .orderBy(planSteps.place)
    .all()
    .map(({ id, place, findingId, how, step }) => ({
      id,
      place,
      findingId,
      how,
      step: JSON.parse(step) as Step,
    }));

/** What the plan makes of findings: the action by finding. */
export const plannedActions = (db: Db | Transaction, shellId: string) =>
  db
    .select({ finding: planSteps.findingId, action: planSteps.action, how: planSteps.how })
    .from(planSteps)
    .where(eq(planSteps.shellId, shellId))
    .all()
    .flatMap(({ finding, action, how }) => (finding === null ? [] : [{ finding, action, how }]));

/** Brings what the shell’s row says of the plan up to its steps: how many changes it makes, and what names it. */
export function countPlan(tx: Transaction, shellId: string): { readonly size: number; readonly key: string } {
  const rows = tx
    .select({ step: planSteps.step })
    .from(planSteps)
    .where(eq(planSteps.shellId, shellId))
    .orderBy(planSteps.place)
    .all();
  const changes = new Set<string>();
  for (const row of rows) {
    const step = JSON.parse(row.step) as Step;
    for (const { ref } of step.targets as readonly AnyTarget[]) changes.add(`${step.action} ${ref}`);
  }
  const key = rows.length ? digest(JSON.stringify(rows.map((row) => row.step))).slice(0, 16) : '';
  tx.update(shells).set({ planSize: changes.size, planKey: key }).where(eq(shells.id, shellId)).run();
  return { size: changes.size, key };
}

/** The place behind the last step of a plan. */
export function nextPlace(tx: Transaction, shellId: string): number {
  const rows = tx
    .select({ place: planSteps.place })
    .from(planSteps)
    .where(eq(planSteps.shellId, shellId))
    .all();
  return rows.reduce((last, row) => Math.max(last, row.place), 0) + 1;
}
