import { z } from 'zod';
import { planFile, takePlanIn } from '@/services/decide/plan-file';
import { answer, readBodyAs } from '@/services/safety/answer';
import { attachment, fileNameOf } from '../../../../attachment';
import { shellRoute } from '../../../../shell-route';

/** The plan as a file. */
export const GET = shellRoute((shell, context) => {
  const name = `${fileNameOf(shell.row.code || shell.row.title)}-plan.json`;
  return new Response(`${JSON.stringify(planFile(context, shell), null, 2)}\n`, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': attachment(name),
    },
  });
});

/** Takes a plan file in, behind the plan so far. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, z.unknown());
  return body.ok ? answer(takePlanIn(context, shell, body.value)) : body.response;
});
