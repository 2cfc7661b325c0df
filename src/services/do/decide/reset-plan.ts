import { good, type Result } from '@/core/shell/result';
import type { Context } from '@/services/keep/desks/context';
import { changePlan, type AddedStep } from './change-plan';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import type { LookedAtReset } from '@/services/do/drafts/draft-reset';
import type { ResetWish } from '@/services/do/drafts/reset-ask';

/** What a reset would come to, before it is rehearsed. */
export interface ResetPreview extends LookedAtReset {
  /** What went into the plan; null where it was only looked at. */
  readonly added: AddedStep | null;
}

/** Works a reset out, and puts it into the plan where it is armed. */
export async function resetInPlan(
  context: Context,
  current: CurrentShell,
  wish: ResetWish,
): Promise<Result<ResetPreview>> {
  const changed = await changePlan(context, current.row.id, 'reset', wish);
  if (!changed.ok) return changed;
  const { told, added } = changed.value;
  return good({ ...told, added: added[0] ?? null });
}
