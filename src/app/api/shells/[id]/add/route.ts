import { addSchema, orderAdd } from '@/services/do/add/order-add';
import { todayHere } from '@/services/keep/time/clock';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const form = await readBodyAs(request, addSchema);
  return form.ok ? answer(orderAdd(context, shell, form.value, todayHere())) : form.response;
});
