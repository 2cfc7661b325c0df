import { appContext } from '@/services/keep/desks/app-context';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { appWatcher } from '@/services/do/watched/folder-watcher';
import { setWatchedFolder, watchSchema } from '@/services/do/watched/watched-folder';
import { guarded } from '../guarded';

export const PUT = guarded(async (request) => {
  const body = await readBodyAs(request, watchSchema);
  if (!body.ok) return body.response;
  const context = appContext();
  const set = setWatchedFolder(context, body.value);
  if (set.ok) await appWatcher(context).begin();
  return answer(set);
});
