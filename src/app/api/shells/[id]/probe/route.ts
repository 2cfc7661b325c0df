import { orderProbe, orderProbeSchema } from '@/services/do/probe/order-probe';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, orderProbeSchema);
  return body.ok ? answer(orderProbe(context, shell, body.value)) : body.response;
});
