import { eq, sql } from 'drizzle-orm';
import type { Step } from '@/core/plan/step';
import { digest } from '@/core/refs/digest';
import type { Db, Transaction } from '@/store/database';
import { inList } from '@/store/in-list';
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

/** The rows of a plan, in their order, without what they do. */
export const planRowsOf = (db: Db | Transaction, shellId: string): string[] =>
  db
    .select({ id: planSteps.id })
    .from(planSteps)
    .where(eq(planSteps.shellId, shellId))
    .orderBy(planSteps.place)
    .all()
    .map(({ id }) => id);

/** What the plan makes of findings: the action by finding. */
export const plannedActions = (db: Db | Transaction, shellId: string) =>
  db
    .select({ finding: planSteps.findingId, action: planSteps.action, how: planSteps.how })
    .from(planSteps)
    .where(eq(planSteps.shellId, shellId))
    .all()
    .flatMap(({ finding, action, how }) => (finding === null ? [] : [{ finding, action, how }]));

/** What names a plan: a digest of its steps in their order, as they are written; empty where it has none. */
export const planKeyOf = (steps: readonly string[]): string =>
  steps.length ? digest(steps.join('\n')).slice(0, 16) : '';

/** Brings what the shell’s row says of the plan up to its steps: how many changes it makes, and what names it. */
export function countPlan(tx: Transaction, shellId: string): { readonly size: number; readonly key: string } {
  const steps = tx.all<{ step: string }>(
    sql`SELECT step FROM plan_steps WHERE shell_id = ${shellId} ORDER BY place`,
  );
  // Each target of each action counts once, whichever findings ask for it.
  const { size } = tx.get<{ size: number }>(
    sql`SELECT count(DISTINCT p.action || ' ' || json_extract(t.value, '$.ref')) AS size
        FROM plan_steps p, json_each(p.step, '$.targets') t WHERE p.shell_id = ${shellId}`,
  );
  const key = planKeyOf(steps.map((row) => row.step));
  tx.update(shells).set({ planSize: size, planKey: key }).where(eq(shells.id, shellId)).run();
  return { size, key };
}

/** Takes rows out of a plan that are done with. */
export function takeOutOfPlan(tx: Transaction, shellId: string, rows: readonly string[]): void {
  tx.delete(planSteps).where(inList(planSteps.id, rows)).run();
  countPlan(tx, shellId);
}

/** The place behind the last step of a plan. */
export const nextPlace = (tx: Transaction, shellId: string): number =>
  tx.get<{ next: number }>(
    sql`SELECT coalesce(max(place), 0) + 1 AS next FROM plan_steps WHERE shell_id = ${shellId}`,
  ).next;
