import { clearPlan } from '@/services/do/decide/decisions';
import { editPlan, planEditSchema } from '@/services/do/decide/edit-plan';
import { planOf } from '@/services/keep/plan/plan';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

export const GET = shellRoute((shell, context) =>
  Response.json({ steps: planOf(context.db, shell.row.id), size: shell.plan.size }),
);

export const POST = shellRoute(async (shell, context, request) => {
  const edit = await readBodyAs(request, planEditSchema);
  return edit.ok ? answer(await editPlan(context, shell, edit.value)) : edit.response;
});

export const DELETE = shellRoute((shell, context) => {
  clearPlan(context, shell.row.id);
  return Response.json({ cleared: true });
});
