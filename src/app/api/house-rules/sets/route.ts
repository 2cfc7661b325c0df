import { beginRuleSet, dropRuleSet, dropSetSchema, newSetSchema } from '@/services/do/rules/rule-sets';
import { appContext } from '@/services/keep/desks/app-context';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, newSetSchema);
  return body.ok ? answer(beginRuleSet(appContext(), body.value)) : body.response;
});

export const DELETE = guarded(async (request) => {
  const body = await readBodyAs(request, dropSetSchema);
  return body.ok ? answer(dropRuleSet(appContext(), body.value)) : body.response;
});
