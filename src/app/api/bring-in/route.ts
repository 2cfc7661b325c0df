import { bringInSchema, orderBringIn } from '@/services/bring-in/order-bring-in';
import { todayHere } from '@/services/clock';
import { appContext } from '@/services/open-context';
import { answer, readBodyAs, refuseForeign } from '@/services/safety/answer';

export async function POST(request: Request): Promise<Response> {
  const refused = refuseForeign(request);
  if (refused) return refused;
  const form = await readBodyAs(request, bringInSchema);
  return form.ok ? answer(orderBringIn(appContext(), form.value, todayHere())) : form.response;
}
