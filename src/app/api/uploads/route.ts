import { receiveUpload } from '@/services/do/bring-in/receive-upload';
import { appContext } from '@/services/keep/desks/app-context';
import { answer } from '@/services/wire/answers/answer';
import { guarded } from '../guarded';

/** Takes one file as the request's body, as it streams in; answers with the id to name it by. */
export const POST = guarded(async (request) => {
  const announced = request.headers.get('content-length');
  const length = announced === null ? null : Number(announced);
  const context = appContext();
  // What is sent is read and shown next; the threads that do it start meanwhile.
  context.jobs.makeReady();
  context.stages.makeReady();
  return answer(await receiveUpload(context, request.body, length));
});
