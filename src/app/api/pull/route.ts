import { orderPull, pullForm } from '@/services/do/hosts/order-pull';
import { appContext } from '@/services/keep/desks/app-context';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../guarded';

/** Reads a shell from a campus host. */
export const POST = guarded(async (request) => {
  const form = await readBodyAs(request, pullForm);
  return form.ok ? answer(orderPull(appContext(), form.value)) : form.response;
});
