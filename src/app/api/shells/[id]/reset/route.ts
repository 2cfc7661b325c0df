import { resetAskSchema } from '@/services/do/drafts/reset-ask';
import { resetInPlan } from '@/services/do/decide/reset-plan';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

/** Works a reset out; armed, it goes into the plan. */
export const POST = shellRoute(async (shell, context, request) => {
  const ask = await readBodyAs(request, resetAskSchema);
  return ask.ok ? answer(await resetInPlan(context, shell, ask.value)) : ask.response;
});
