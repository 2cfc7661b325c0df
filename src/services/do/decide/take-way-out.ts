import { good, type Result } from '@/core/shell/result';
import type { Context } from '@/services/keep/desks/context';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { changePlan, type EditedPlan } from './change-plan';
import type { WayOutForm } from '@/services/do/drafts/draft-way-out';

/** Puts steps into the plan that do what a blocked one can’t; the blocked target leaves its step. */
export async function takeWayOut(
  context: Context,
  shell: CurrentShell,
  form: WayOutForm,
): Promise<Result<EditedPlan>> {
  const changed = await changePlan(context, shell.row.id, 'way-out', form);
  return changed.ok ? good({ planSize: changed.value.planSize }) : changed;
}
