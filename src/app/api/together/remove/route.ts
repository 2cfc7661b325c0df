import { removeTogether, removeSchema } from '@/services/many-shells/lay-by';
import { appContext } from '@/services/app-context';
import { answer, readBodyAs } from '@/services/safety/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, removeSchema);
  return body.ok ? answer(removeTogether(appContext(), body.value)) : body.response;
});
