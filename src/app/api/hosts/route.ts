import { signInForm, signInToHost } from '@/services/hosts/sign-in';
import { appContext } from '@/services/app-context';
import { answer, readBodyAs } from '@/services/safety/answer';
import { guarded } from '../guarded';

/** Signs in to a campus host; it is remembered where the host knows who asks. */
export const POST = guarded(async (request) => {
  const form = await readBodyAs(request, signInForm);
  return form.ok ? answer(await signInToHost(appContext(), form.value, request.signal)) : form.response;
});
