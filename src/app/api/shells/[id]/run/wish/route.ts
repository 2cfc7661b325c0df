import { wishOfRun, wishSchema } from '@/services/do/carry-out-on-host/wish';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../../shell-route';

/** Pauses the run on the host, lets it go on, or stops it. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, wishSchema);
  return body.ok ? answer(wishOfRun(context, shell.row.id, body.value)) : body.response;
});
