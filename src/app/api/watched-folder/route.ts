import { appContext } from '@/services/app-context';
import { answer, readBodyAs } from '@/services/safety/answer';
import { appWatcher } from '@/services/watched/folder-watcher';
import { setWatchedFolder, watchSchema } from '@/services/watched/watched-folder';
import { guarded } from '../guarded';

export const PUT = guarded(async (request) => {
  const body = await readBodyAs(request, watchSchema);
  if (!body.ok) return body.response;
  const context = appContext();
  const set = setWatchedFolder(context, body.value);
  if (set.ok) await appWatcher(context).begin();
  return answer(set);
});
