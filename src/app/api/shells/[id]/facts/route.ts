import { z } from 'zod';
import { factsOfFindings } from '@/services/show/decide/evidence';
import { readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

const schema = z.strictObject({ findings: z.array(z.string()).max(100) });

/** What proves some findings, to be looked at in a batch. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, schema);
  return body.ok
    ? Response.json({ facts: factsOfFindings(context, shell, body.value.findings) })
    : body.response;
});
