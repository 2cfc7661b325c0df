import { appContext } from '@/services/keep/desks/app-context';
import { readBodyAs } from '@/services/wire/answers/answer';
import { folderOrder, orderForFolder } from '@/services/do/storage/data-folder';
import { guarded } from '../guarded';

/** Has the data folder looked over, mended or backed up; answers with the job. */
export const POST = guarded(async (request) => {
  const order = await readBodyAs(request, folderOrder);
  if (!order.ok) return order.response;
  return Response.json({ jobId: orderForFolder(appContext(), order.value.act, new Date()) });
});
