import { orderHoldShell, otherSchema } from '@/services/do/compare/order-compare';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../../shell-route';

/** Another shell of the list, held against this one as a package would be. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, otherSchema);
  return body.ok ? answer(orderHoldShell(context, shell, body.value)) : body.response;
});
