import { removeTogether, removeSchema } from '@/services/do/many-shells/lay-by';
import { appContext } from '@/services/keep/desks/app-context';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, removeSchema);
  return body.ok ? answer(removeTogether(appContext(), body.value)) : body.response;
});
