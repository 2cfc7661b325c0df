import { addSchema, orderAdd } from '@/services/add/order-add';
import { todayHere } from '@/services/clock';
import { answer, readBodyAs } from '@/services/safety/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const form = await readBodyAs(request, addSchema);
  return form.ok ? answer(orderAdd(context, shell, form.value, todayHere())) : form.response;
});
