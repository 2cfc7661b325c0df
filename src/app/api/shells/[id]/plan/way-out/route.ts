import { wayOutSchema } from '@/services/decide/draft-way-out';
import { takeWayOut } from '@/services/decide/take-way-out';
import { answer, readBodyAs } from '@/services/safety/answer';
import { shellRoute } from '../../../../shell-route';

/** Takes a way out for something that a guard holds back. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, wayOutSchema);
  return body.ok ? answer(await takeWayOut(context, shell, body.value)) : body.response;
});
