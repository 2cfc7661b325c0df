import { orderUndo, undoSchema } from '@/services/carry-out/order-undo';
import { answer, notFound, readBodyAs } from '@/services/safety/answer';
import { findRun } from '@/services/shells/current-shell';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, undoSchema);
  if (!body.ok) return body.response;
  const run = findRun(context, shell.row.id, body.value.runId);
  return run ? answer(orderUndo(context, shell, run, body.value)) : notFound('run');
});
