import { notFound } from '@/services/wire/answers/answer';
import { bytesOf } from '@/services/keep/desks/stage-answer';
import { isStage } from '@/services/keep/desks/stage-order';
import { stageJson } from '../../../../stage-json';
import { shellRoute } from '../../../../shell-route';

interface StageParams {
  readonly params: Promise<{ readonly id: string; readonly stage: string }>;
}

/** What a stage of a shell shows, as JSON; it is worked out in a process of its own and handed on as it is. */
export const GET = shellRoute<StageParams>(async ({ row }, context, request, { stage }) => {
  if (!isStage(stage)) return notFound('stage');
  const query = new URL(request.url).search;
  const drawn = bytesOf(await context.stages.draw({ shellId: row.id, stage, query }, request.signal));
  return drawn ? stageJson(drawn) : notFound('thing');
});
