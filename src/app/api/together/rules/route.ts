import { assignRules, assignSchema } from '@/services/house-rules/rule-sets';
import { appContext } from '@/services/app-context';
import { answer, readBodyAs } from '@/services/safety/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, assignSchema);
  return body.ok ? answer(assignRules(appContext(), body.value)) : body.response;
});
