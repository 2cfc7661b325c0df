import { layBy, layBySchema } from '@/services/do/many-shells/lay-by';
import { appContext } from '@/services/keep/desks/app-context';
import { readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, layBySchema);
  return body.ok ? Response.json(layBy(appContext(), body.value)) : body.response;
});
