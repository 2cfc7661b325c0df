import { orderUndo, undoSchema } from '@/services/do/carry-out/order-undo';
import { answer, notFound, readBodyAs } from '@/services/wire/answers/answer';
import { findRun } from '@/services/keep/shells/current-shell';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, undoSchema);
  if (!body.ok) return body.response;
  const run = findRun(context, shell.row.id, body.value.runId);
  return run ? answer(orderUndo(context, shell, run, body.value)) : notFound('run');
});
