import { decideTogether, togetherSchema } from '@/services/do/many-shells/decide-together';
import { appContext } from '@/services/keep/desks/app-context';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, togetherSchema);
  return body.ok ? answer(await decideTogether(appContext(), body.value)) : body.response;
});
