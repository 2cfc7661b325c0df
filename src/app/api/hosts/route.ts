import { signInForm, signInToHost } from '@/services/do/hosts/sign-in';
import { appContext } from '@/services/keep/desks/app-context';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../guarded';

/** Signs in to a campus host; it is remembered where the host knows who asks. */
export const POST = guarded(async (request) => {
  const form = await readBodyAs(request, signInForm);
  return form.ok ? answer(await signInToHost(appContext(), form.value, request.signal)) : form.response;
});
