import { beginRuleSet, dropRuleSet, dropSetSchema, newSetSchema } from '@/services/house-rules/rule-sets';
import { appContext } from '@/services/app-context';
import { answer, readBodyAs } from '@/services/safety/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, newSetSchema);
  return body.ok ? answer(beginRuleSet(appContext(), body.value)) : body.response;
});

export const DELETE = guarded(async (request) => {
  const body = await readBodyAs(request, dropSetSchema);
  return body.ok ? answer(dropRuleSet(appContext(), body.value)) : body.response;
});
