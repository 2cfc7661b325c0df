import { dropIncoming, incomingSchema, orderIncoming } from '@/services/do/add/order-incoming';
import { todayHere } from '@/services/keep/time/clock';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const form = await readBodyAs(request, incomingSchema);
  return form.ok ? answer(orderIncoming(context, shell, form.value, todayHere())) : form.response;
});

export const DELETE = shellRoute((shell, context) => {
  dropIncoming(context, shell.row.id);
  return Response.json({ dropped: true });
});
