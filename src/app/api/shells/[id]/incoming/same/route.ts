import { orderSameSource, sameSourceSchema } from '@/services/do/add/order-incoming';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../../shell-route';

/** The source that waits beside another shell, compared with this one, too. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, sameSourceSchema);
  return body.ok ? answer(orderSameSource(context, shell, body.value)) : body.response;
});
