import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { writtenStepSchema } from '@/core/plan/written-step';
import { bad, good, type Result } from '@/core/shell/result';
import type { Transaction } from '@/store/database';
import { planSteps } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { changePlan, writeChanged, type AddedStep, type EditedPlan } from './change-plan';
import { withoutRefs } from '@/services/do/drafts/draft-plan';
import { countPlan, planOf } from '@/services/keep/plan/plan';
import { planChanged } from '@/services/keep/plan/plan-troubles';

/** How a plan is edited by hand: a step added or replaced, taken out, or brought to another place. */
export const planEditSchema = z.discriminatedUnion('edit', [
  z.strictObject({ edit: z.literal('add'), step: writtenStepSchema }),
  z.strictObject({ edit: z.literal('replace'), id: z.string(), step: writtenStepSchema }),
  z.strictObject({ edit: z.literal('remove'), ids: z.array(z.string()).min(1) }),
  /** Leaves some of a step’s things alone; the step goes where it has none left. */
  z.strictObject({ edit: z.literal('without'), id: z.string(), refs: z.array(z.string()).min(1) }),
  /** Every step of the plan in its new order. */
  z.strictObject({ edit: z.literal('order'), ids: z.array(z.string()) }),
]);
export type PlanEdit = z.output<typeof planEditSchema>;

/** Edits the plan: a step that is added or replaced is tried on a thread, the rest is written at once. */
export async function editPlan(
  context: Context,
  shell: CurrentShell,
  edit: PlanEdit,
): Promise<Result<EditedPlan | AddedStep>> {
  const shellId = shell.row.id;
  switch (edit.edit) {
    case 'add': {
      const changed = await changePlan(context, shellId, 'new-step', edit.step);
      if (!changed.ok) return changed;
      const [added] = changed.value.added;
      return added ? good(added) : bad('no-step', 'No step was made of this; ask again.');
    }
    case 'replace': {
      const { id, step } = edit;
      const changed = await changePlan(context, shellId, 'other-step', { id, step });
      return changed.ok ? good({ planSize: changed.value.planSize }) : changed;
    }
    case 'remove':
      return rewrite(context, shellId, (tx) => removeSteps(tx, shellId, edit.ids));
    case 'without': {
      const row = planOf(context.db, shellId).find(({ id }) => id === edit.id);
      if (!row) return planChanged();
      return rewrite(context, shellId, (tx) => writeChanged(tx, withoutRefs(row, edit.refs)));
    }
    case 'order': {
      const rows = planOf(context.db, shellId);
      const isWhole = edit.ids.length === rows.length && rows.every((row) => edit.ids.includes(row.id));
      return isWhole ? rewrite(context, shellId, (tx) => orderSteps(tx, edit.ids)) : planChanged();
    }
  }
}

function rewrite({ db }: Context, shellId: string, write: (tx: Transaction) => void): Result<EditedPlan> {
  return good(
    db.transaction((tx) => {
      write(tx);
      return { planSize: countPlan(tx, shellId).size };
    }),
  );
}

function removeSteps(tx: Transaction, shellId: string, ids: readonly string[]): void {
  for (const id of ids)
    tx.delete(planSteps)
      .where(and(eq(planSteps.id, id), eq(planSteps.shellId, shellId)))
      .run();
}

function orderSteps(tx: Transaction, ids: readonly string[]): void {
  ids.forEach((id, n) => {
    const place = n + 1;
    tx.update(planSteps).set({ place }).where(eq(planSteps.id, id)).run();
  });
}
