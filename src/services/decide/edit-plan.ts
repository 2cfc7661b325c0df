import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { partOfStep, type Step } from '@/core/plan/step';
import { makeStep, writtenStepSchema, type WrittenStep } from '@/core/plan/written-step';
import { bad, good, type Result } from '@/core/shell/result';
import { planSteps } from '@/store/schema';
import type { Context } from '../context';
import type { CurrentShell } from '../shells/current-shell';
import { blobHash, shellOf } from '../shells/kept-state';
import { rulesFrom } from '../house-rules/written-rules';
import { rulesFor } from '../house-rules/house-rules';
import { countPlan, nextPlace, planOf } from './plan';
import { plannedShell, rememberWithStep } from './planned-shell';
import { tryStep, type StepTrial } from './try-step';

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

export interface EditedPlan {
  readonly planSize: number;
}
/** What came of a step by hand: its row, null where nothing of it could be done, and what is held back. */
export interface AddedStep extends EditedPlan, StepTrial {
  readonly id: string | null;
}

/**
 * Adds a step by hand on top of the plan so far, as far as it can be done: what a guard holds back is told with its way out and stays outside the
 * plan, and so does what is so already.
 */
export function addByHand(context: Context, shell: CurrentShell, written: WrittenStep): Result<AddedStep> {
  const rules = rulesFrom(rulesFor(context, shell.row).written);
  if (!rules.ok) return rules;
  const now = plannedShell(context, shell, rules.value);
  const wanted = makeStep(now, written);
  if (!wanted.ok) return wanted;
  const { trial, possible, after } = tryStep(now, wanted.value, rules.value.keyMarks);
  const step = partOfStep(wanted.value, possible);
  if (step === null) return good({ ...trial, id: null, planSize: shell.plan.size });
  const { id, size, key } = keepStep(context, shell.row.id, step);
  rememberWithStep(context, shell, { planKey: key, shell: after, step }, rules.value);
  return good({ ...trial, id, planSize: size });
}

/** Writes a step by hand behind the others. */
function keepStep(context: Context, shellId: string, step: Step) {
  const id = randomUUID();
  return context.db.transaction((tx) => {
    tx.insert(planSteps)
      .values({
        id,
        shellId,
        place: nextPlace(tx, shellId),
        findingId: null,
        how: 'hand',
        action: step.action,
        step: JSON.stringify(step),
        addedAt: new Date().toISOString(),
      })
      .run();
    return { id, ...countPlan(tx, shellId) };
  });
}

/** Edits the plan. A step is made for the shell as it stands, so that it knows what it replaces. */
export function editPlan(
  context: Context,
  shell: CurrentShell,
  edit: PlanEdit,
): Result<EditedPlan | AddedStep> {
  const { db } = context;
  const shellId = shell.row.id;
  const rows = planOf(db, shellId);
  switch (edit.edit) {
    case 'add':
      return addByHand(context, shell, edit.step);
    case 'replace': {
      const next = makeStep(shellOf(context.blobs, blobHash.parse(shell.version.stateBlob)), edit.step);
      if (!next.ok) return next;
      const old = rows.find((row) => row.id === edit.id);
      if (!old) return gone();
      const step = { action: next.value.action, step: JSON.stringify(next.value) };
      return good(
        db.transaction((tx) => {
          tx.update(planSteps).set(step).where(eq(planSteps.id, old.id)).run();
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
    case 'without': {
      const old = rows.find((row) => row.id === edit.id);
      if (!old) return gone();
      const spared = new Set(edit.refs);
      const left = old.step.targets.map(({ ref }) => ref).filter((ref) => !spared.has(ref));
      const part = partOfStep(old.step, left);
      return good(
        db.transaction((tx) => {
          if (part === null) tx.delete(planSteps).where(eq(planSteps.id, old.id)).run();
          else
            tx.update(planSteps)
              // It is not the finding’s own remedy any more, but a part of it.
              .set({ step: JSON.stringify(part), how: old.how === 'remedy' ? 'other' : old.how })
              .where(eq(planSteps.id, old.id))
              .run();
          return { planSize: countPlan(tx, shellId).size };
        }),
      );
    }
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
