import { bringInSchema, orderBringIn } from '@/services/do/bring-in/order-bring-in';
import { todayHere } from '@/services/keep/time/clock';
import { appContext } from '@/services/keep/desks/app-context';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../guarded';

export const POST = guarded(async (request) => {
  const form = await readBodyAs(request, bringInSchema);
  return form.ok ? answer(orderBringIn(appContext(), form.value, todayHere())) : form.response;
});
