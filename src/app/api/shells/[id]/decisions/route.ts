import { decisionSchema } from '@/services/keep/plan/decision';
import { decide } from '@/services/do/decide/decisions';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const decision = await readBodyAs(request, decisionSchema);
  return decision.ok ? answer(decide(context, shell, decision.value)) : decision.response;
});
