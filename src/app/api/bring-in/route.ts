import { bringInSchema, orderBringIn } from '@/services/bring-in/order-bring-in';
import { todayHere } from '@/services/clock';
import { appContext } from '@/services/app-context';
import { answer, readBodyAs } from '@/services/safety/answer';
import { guarded } from '../guarded';

export const POST = guarded(async (request) => {
  const form = await readBodyAs(request, bringInSchema);
  return form.ok ? answer(orderBringIn(appContext(), form.value, todayHere())) : form.response;
});
