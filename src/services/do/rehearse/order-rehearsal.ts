import { eq } from 'drizzle-orm';
import type { Step } from '@/core/plan/step';
import { bad, good, type Result } from '@/core/shell/result';
import { rehearsals } from '@/store/schema';
import { orderComb } from '@/services/do/comb/order-comb';
import type { Context } from '@/services/keep/desks/context';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { planOf } from '@/services/keep/plan/plan';
import { rulesFor } from '@/services/keep/rules/house-rules';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { answersFor } from '@/services/keep/probe/known-answers';
import { blobHash } from '@/services/keep/shells/kept-state';
import type { RehearsalView } from './rehearse-job';

/**
 * Orders the plan to be tried on a copy. What comes of it is sealed with the plan and the state it was tried for. A shell
 * that was not combed yet is combed first, since a rehearsal shows which findings it closes.
 */
export function orderRehearsal(context: Context, shell: CurrentShell): Result<{ jobId: string }> {
  if (shell.plan.size === 0)
    return bad('empty-plan', 'The plan is empty. Accept some findings, or change the outline, first.');
  // Jobs of one shell are done in the order in which they are ordered.
  if (!shell.audit) orderComb(context, shell);
  const jobId = context.jobs.order('rehearse', shell.row.id, {
    versionId: shell.version.id,
    planKey: shell.plan.key,
    stateBlob: blobHash.parse(shell.version.stateBlob),
    steps: planOf(context.db, shell.row.id).map((row) => row.step),
    rules: rulesFor(context, shell.row).written,
    answers: answersFor(context.db, shell.row.id),
  });
  return good({ jobId });
}

/** Was exactly this plan rehearsed for exactly this state? */
export function isRehearsed(folder: OpenFolder, shell: CurrentShell): boolean {
  const row = folder.db
    .select({ versionId: rehearsals.versionId, planKey: rehearsals.planKey })
    .from(rehearsals)
    .where(eq(rehearsals.shellId, shell.row.id))
    .get();
  return row?.versionId === shell.version.id && row.planKey === shell.plan.key && shell.plan.key !== '';
}

const isShownNow = (view: RehearsalView | { readonly after: object }): view is RehearsalView =>
  'comebacks' in view && 'findings' in view.after;

export interface SealedRehearsal {
  readonly seal: string;
  /** What is carried out: the normalised steps. */
  readonly steps: readonly Step[];
  readonly view: RehearsalView;
}

/** The rehearsal of exactly this plan for exactly this state, or null where it has to be rehearsed (again). */
export function sealedRehearsal(folder: OpenFolder, shell: CurrentShell): SealedRehearsal | null {
  if (!isRehearsed(folder, shell)) return null;
  const row = folder.db.select().from(rehearsals).where(eq(rehearsals.shellId, shell.row.id)).get();
  if (!row) return null;
  const view = JSON.parse(row.view) as RehearsalView | { readonly after: object };
  // One that an earlier Currycomb kept lacks what is shown now: it is rehearsed again.
  if (!isShownNow(view)) return null;
  return { seal: row.seal, steps: JSON.parse(row.steps) as Step[], view };
}
