import { orderPull, pullForm } from '@/services/hosts/order-pull';
import { appContext } from '@/services/open-context';
import { answer, readBodyAs, refuseForeign } from '@/services/safety/answer';

/** Reads a shell from a campus host. */
export async function POST(request: Request): Promise<Response> {
  const refused = refuseForeign(request);
  if (refused) return refused;
  const form = await readBodyAs(request, pullForm);
  return form.ok ? answer(orderPull(appContext(), form.value)) : form.response;
}
