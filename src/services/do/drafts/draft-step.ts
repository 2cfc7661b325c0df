import { makeStep, type WrittenStep } from '@/core/plan/written-step';
import { good, type Result } from '@/core/shell/result';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';
import { DraftPlan } from './draft-plan';
import type { Drafted } from '@/services/keep/plan/plan-draft';
import { planOf } from '@/services/keep/plan/plan';
import { planChanged } from '@/services/keep/plan/plan-troubles';

/**
 * A step by hand on top of the plan so far, as far as it can be done: what a guard holds back is told with its way out
 * and stays outside the plan, and so does what is so already.
 */
export function draftNewStep(
  folder: OpenFolder,
  shell: CurrentShell,
  asked: WrittenStep,
): Result<Drafted<null>> {
  const plan = DraftPlan.of(folder, shell);
  if (!plan.ok) return plan;
  const tried = plan.value.add(asked);
  return tried.ok ? good({ told: null, draft: plan.value.draft() }) : tried;
}

/** Another step in the place of one; it is made for the shell as it stands, so that it knows what it replaces. */
export function draftOtherStep(
  folder: OpenFolder,
  shell: CurrentShell,
  asked: { readonly id: string; readonly step: WrittenStep },
): Result<Drafted<null>> {
  const next = makeStep(shellOf(folder.blobs, blobHash.parse(shell.version.stateBlob)), asked.step);
  if (!next.ok) return next;
  const old = planOf(folder.db, shell.row.id).find((row) => row.id === asked.id);
  if (!old) return planChanged();
  const { id, how } = old;
  const changed = [{ id, how, step: next.value }];
  return good({
    told: null,
    draft: { versionId: shell.version.id, planKey: shell.plan.key, changed, tried: [] },
  });
}
