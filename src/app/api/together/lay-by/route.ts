import { layBy, layBySchema } from '@/services/many-shells/lay-by';
import { appContext } from '@/services/app-context';
import { readBodyAs } from '@/services/safety/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, layBySchema);
  return body.ok ? Response.json(layBy(appContext(), body.value)) : body.response;
});
