import { orderPull, pullForm } from '@/services/hosts/order-pull';
import { appContext } from '@/services/app-context';
import { answer, readBodyAs } from '@/services/safety/answer';
import { guarded } from '../guarded';

/** Reads a shell from a campus host. */
export const POST = guarded(async (request) => {
  const form = await readBodyAs(request, pullForm);
  return form.ok ? answer(orderPull(appContext(), form.value)) : form.response;
});
