import { z } from 'zod';
import { appContext } from '@/services/keep/desks/app-context';
import { houseSet, keepRules, keptRules } from '@/services/keep/rules/house-rules';
import { longestRules } from '@/services/keep/rules/written-rules';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../guarded';

const rules = z.record(z.string(), z.unknown());

/** The set that an address names: `?set=ID`; the house’s own where it names none. */
const setOf = (request: Request): string => new URL(request.url).searchParams.get('set') ?? houseSet;

/** The house rules as a file: what was set by hand. */
export const GET = guarded((request) => {
  const { written } = keptRules(appContext(), setOf(request));
  return new Response(`${JSON.stringify({ schema: 'currycomb.house-rules/1', ...written }, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': 'attachment; filename="house-rules.json"',
    },
  });
});

export const PUT = guarded(async (request) => {
  const body = await readBodyAs(request, rules, longestRules);
  return body.ok ? answer(keepRules(appContext(), body.value, setOf(request))) : body.response;
});
