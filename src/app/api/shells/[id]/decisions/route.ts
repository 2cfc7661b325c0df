import { decisionSchema } from '@/services/decide/decision';
import { decide } from '@/services/decide/decisions';
import { answer, readBodyAs } from '@/services/safety/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const decision = await readBodyAs(request, decisionSchema);
  return decision.ok ? answer(decide(context, shell, decision.value)) : decision.response;
});
