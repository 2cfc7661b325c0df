import { signInForm, signInToHost } from '@/services/hosts/host-records';
import { appContext } from '@/services/open-context';
import { answer, readBodyAs, refuseForeign } from '@/services/safety/answer';

/** Signs in to a campus host; it is remembered where the host knows who asks. */
export async function POST(request: Request): Promise<Response> {
  const refused = refuseForeign(request);
  if (refused) return refused;
  const form = await readBodyAs(request, signInForm);
  return form.ok ? answer(await signInToHost(appContext(), form.value)) : form.response;
}
