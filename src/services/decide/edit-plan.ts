import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { makeStep, writtenStepSchema } from '@/core/plan/written-step';
import { bad, good, type Result } from '@/core/shell/result';
import { planSteps } from '@/store/schema';
import type { Context } from '../context';
import type { CurrentShell } from '../shells/current-shell';
import { blobHash, shellOf } from '../shells/kept-state';
import { countPlan, nextPlace, planOf } from './plan';

/** How a plan is edited by hand: a step added or replaced, taken out, or brought to another place. */
export const planEditSchema = z.discriminatedUnion('edit', [
  z.strictObject({ edit: z.literal('add'), step: writtenStepSchema }),
  z.strictObject({ edit: z.literal('replace'), id: z.string(), step: writtenStepSchema }),
  z.strictObject({ edit: z.literal('remove'), ids: z.array(z.string()).min(1) }),
  /** Every step of the plan in its new order. */
  z.strictObject({ edit: z.literal('order'), ids: z.array(z.string()) }),
]);
export type PlanEdit = z.output<typeof planEditSchema>;

/** Edits the plan. A step is made for the shell as it stands, so that it knows what it replaces. */
export function editPlan(
  context: Context,
  shell: CurrentShell,
  edit: PlanEdit,
): Result<{ planSize: number }> {
  const { db } = context;
  const shellId = shell.row.id;
  const rows = planOf(db, shellId);
  switch (edit.edit) {
    case 'add':
    case 'replace': {
      const made = makeStep(shellOf(context.blobs, blobHash.parse(shell.version.stateBlob)), edit.step);
      if (!made.ok) return made;
      const step = { action: made.value.action, step: JSON.stringify(made.value) };
      const old = edit.edit === 'replace' ? rows.find((row) => row.id === edit.id) : undefined;
      if (edit.edit === 'replace' && !old) return gone();
      return good(
        db.transaction((tx) => {
          if (old) tx.update(planSteps).set(step).where(eq(planSteps.id, old.id)).run();
          else
            tx.insert(planSteps)
              .values({
                ...step,
                id: randomUUID(),
                shellId,
                place: nextPlace(tx, shellId),
                findingId: null,
                how: 'hand',
                addedAt: new Date().toISOString(),
              })
              .run();
          return { planSize: countPlan(tx, shellId).size };
        }),
      );
    }
    case 'remove':
      return good(
        db.transaction((tx) => {
          for (const id of edit.ids)
            tx.delete(planSteps)
              .where(and(eq(planSteps.id, id), eq(planSteps.shellId, shellId)))
              .run();
          return { planSize: countPlan(tx, shellId).size };
        }),
      );
    case 'order': {
      const isWhole = edit.ids.length === rows.length && rows.every((row) => edit.ids.includes(row.id));
      if (!isWhole) return gone();
      return good(
        db.transaction((tx) => {
          edit.ids.forEach((id, n) =>
            tx
              .update(planSteps)
              .set({ place: n + 1 })
              .where(eq(planSteps.id, id))
              .run(),
          );
          return { planSize: countPlan(tx, shellId).size };
        }),
      );
    }
  }
}

const gone = () =>
  bad('plan-changed', 'The plan changed in the meantime; look at it as it is now and edit it again.');
