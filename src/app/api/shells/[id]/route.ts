import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { removalSchema, removeShell } from '@/services/do/shells/remove-shell';
import { shellRoute } from '../../shell-route';

export const DELETE = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, removalSchema);
  return body.ok ? answer(removeShell(context, shell, body.value.typed)) : body.response;
});
