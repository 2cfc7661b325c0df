import { assignRules, assignSchema } from '@/services/do/rules/rule-sets';
import { appContext } from '@/services/keep/desks/app-context';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, assignSchema);
  return body.ok ? answer(assignRules(appContext(), body.value)) : body.response;
});
