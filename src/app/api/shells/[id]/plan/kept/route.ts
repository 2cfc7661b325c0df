import { editKeptPlans, keptPlanEditSchema, listKeptPlans } from '@/services/do/decide/kept-plans';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../../shell-route';

/** The plans that are kept under a name. */
export const GET = shellRoute((_shell, context) =>
  Response.json({ plans: listKeptPlans(context), taken: null }),
);

/** Keeps the plan under a name, drops one, or uses one on this shell. */
export const POST = shellRoute(async (shell, context, request) => {
  const edit = await readBodyAs(request, keptPlanEditSchema);
  return edit.ok ? answer(await editKeptPlans(context, shell, edit.value)) : edit.response;
});
