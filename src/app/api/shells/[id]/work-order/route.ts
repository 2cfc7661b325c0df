import { tick, tickSchema } from '@/services/show/carry-out/work-order';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

/** Ticks a line of the work order. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, tickSchema);
  return body.ok ? answer(tick(context, shell.row.id, body.value)) : body.response;
});
