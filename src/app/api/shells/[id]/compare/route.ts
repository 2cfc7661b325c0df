import { orderCompare, otherSchema } from '@/services/do/compare/order-compare';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, otherSchema);
  return body.ok ? answer(orderCompare(context, shell, body.value)) : body.response;
});
