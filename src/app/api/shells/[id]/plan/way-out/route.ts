import { wayOutSchema } from '@/services/do/drafts/draft-way-out';
import { takeWayOut } from '@/services/do/decide/take-way-out';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../../shell-route';

/** Takes a way out for something that a guard holds back. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, wayOutSchema);
  return body.ok ? answer(await takeWayOut(context, shell, body.value)) : body.response;
});
