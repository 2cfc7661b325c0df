import { good, type Result } from '@/core/shell/result';
import type { Context } from '@/services/keep/desks/context';
import { changePlan, type AddedStep } from './change-plan';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import type { LookedAtRedating } from '@/services/do/drafts/draft-redating';
import type { RedateWish } from '@/services/do/drafts/redate-ask';

export interface RedatePreview extends LookedAtRedating {
  /** What went into the plan; null where it was only looked at. */
  readonly taken: readonly AddedStep[] | null;
}

/** Works a re-dating out on top of the plan so far, and puts it into the plan where that is asked for. */
export async function redateInPlan(
  context: Context,
  current: CurrentShell,
  wish: RedateWish,
): Promise<Result<RedatePreview>> {
  const changed = await changePlan(context, current.row.id, 're-date', wish);
  if (!changed.ok) return changed;
  const { told, added } = changed.value;
  return good({ ...told, taken: wish.take ? added : null });
}
