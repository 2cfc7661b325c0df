import { editRestorePoint, restoreEditSchema } from '@/services/do/carry-out/restore-points';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

/** Names a restore point, or throws it away. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, restoreEditSchema);
  return body.ok ? answer(editRestorePoint(context, shell, body.value)) : body.response;
});
