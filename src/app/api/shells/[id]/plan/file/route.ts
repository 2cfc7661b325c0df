import { takePlanIn, type PlanFile } from '@/services/do/decide/plan-file';
import { answer, notFound, readBodyText } from '@/services/wire/answers/answer';
import { textOf } from '@/services/keep/desks/stage-answer';
import { attachment, fileNameOf } from '../../../../attachment';
import { shellRoute } from '../../../../shell-route';

/** The plan as a file. */
export const GET = shellRoute(async ({ row }, context) => {
  const text = textOf(await context.stages.draw({ shellId: row.id, stage: 'plan-file', query: '' }));
  if (text === null) return notFound('shell');
  const plan = JSON.parse(text) as PlanFile;
  return new Response(`${JSON.stringify(plan, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': attachment(`${fileNameOf(row.code || row.title)}-plan.json`),
    },
  });
});

/** A plan file, in bytes. It is read by the process that tries it. */
const longestPlan = 32 * 1024 ** 2;

/** Takes a plan file in, behind the plan so far. */
export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyText(request, longestPlan);
  return body.ok ? answer(await takePlanIn(context, shell, body.value)) : body.response;
});
