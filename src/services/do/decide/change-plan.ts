import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { Step } from '@/core/plan/step';
import { good, type Result } from '@/core/shell/result';
import type { Transaction } from '@/store/database';
import { planSteps, shells } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import { draftedOf } from '@/services/keep/desks/stage-answer';
import type { DraftAsk, DraftKind, DraftTold } from '@/services/keep/desks/draft-types';
import type { ChangedRow, PlanDraft } from '@/services/keep/plan/plan-draft';
import { countPlan, nextPlace } from '@/services/keep/plan/plan';
import { planChanged, shellGone } from '@/services/keep/plan/plan-troubles';
import type { StepTrial } from '@/services/keep/plan/try-step';

export interface EditedPlan {
  readonly planSize: number;
}
/** What came of a step by hand: its row, null where nothing of it could be done, and what is held back. */
export interface AddedStep extends EditedPlan, StepTrial {
  readonly id: string | null;
}
/** What came of a change: what is told of it, and the steps that it made. */
export interface ChangedPlan<Told> extends EditedPlan {
  readonly told: Told;
  readonly added: readonly AddedStep[];
}

/** Somebody else changes the plan while a change is worked out: it is then worked out anew, so often at most. */
const mostTries = 5;

/** Has a change of a plan worked out by a thread that only reads, and writes it down where the plan is still the same. */
export async function changePlan<Kind extends DraftKind>(
  context: Context,
  shellId: string,
  kind: Kind,
  ask: DraftAsk<Kind>,
): Promise<Result<ChangedPlan<DraftTold<Kind>>>> {
  for (let n = 0; n < mostTries; n += 1) {
    const drafted = draftedOf(await context.stages.draft({ shellId, kind, ask }));
    if (drafted === null) return shellGone();
    if (!drafted.ok) return drafted;
    const { told, draft } = drafted.value;
    const written = writeDraft(context, shellId, draft);
    if (written === null) continue;
    const { planSize, ids } = written;
    const added = draft.tried.map(({ trial }, place) => ({ ...trial, id: ids[place] ?? null, planSize }));
    return good({ told, added, planSize });
  }
  return planChanged();
}

interface WrittenDraft extends EditedPlan {
  /** The rows of what was tried; null where nothing of it could be done. */
  readonly ids: readonly (string | null)[];
}

/** Writes a change down in one go; null where the shell or its plan is another by now. */
function writeDraft({ db }: Context, shellId: string, draft: PlanDraft): WrittenDraft | null {
  return db.transaction((tx) => {
    const { versionId, planKey, planSize } = shells;
    const now = tx.select({ versionId, planKey, planSize }).from(shells).where(eq(shells.id, shellId)).get();
    if (now?.versionId !== draft.versionId || now.planKey !== draft.planKey) return null;
    for (const row of draft.changed) writeChanged(tx, row);
    const ids = draft.tried.map(({ step }) => (step === null ? null : keepStep(tx, shellId, step)));
    const isSame = draft.changed.length === 0 && ids.every((id) => id === null);
    return { ids, planSize: isSame ? now.planSize : countPlan(tx, shellId).size };
  });
}

export function writeChanged(tx: Transaction, { id, how, step }: ChangedRow): void {
  if (step === null) tx.delete(planSteps).where(eq(planSteps.id, id)).run();
  else
    tx.update(planSteps)
      .set({ action: step.action, step: JSON.stringify(step), how })
      .where(eq(planSteps.id, id))
      .run();
}

/** Writes a step by hand behind the others. */
function keepStep(tx: Transaction, shellId: string, step: Step): string {
  const id = randomUUID();
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
  return id;
}
