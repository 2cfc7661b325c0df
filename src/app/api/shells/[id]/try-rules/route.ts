import { z } from 'zod';
import { orderTryRules } from '@/services/do/rules/try-rules';
import { longestRules } from '@/services/keep/rules/written-rules';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, z.record(z.string(), z.unknown()), longestRules);
  return body.ok ? answer(orderTryRules(context, shell, body.value)) : body.response;
});
