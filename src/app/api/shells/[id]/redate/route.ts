import { redateAskSchema } from '@/services/do/drafts/redate-ask';
import { redateInPlan } from '@/services/do/decide/redate-plan';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

/** Works a re-dating out; with `take` it goes into the plan. */
export const POST = shellRoute(async (shell, context, request) => {
  const ask = await readBodyAs(request, redateAskSchema);
  return ask.ok ? answer(await redateInPlan(context, shell, ask.value)) : ask.response;
});
