import { decideTogether, togetherSchema } from '@/services/many-shells/decide-together';
import { appContext } from '@/services/app-context';
import { answer, readBodyAs } from '@/services/safety/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, togetherSchema);
  return body.ok ? answer(await decideTogether(appContext(), body.value)) : body.response;
});
