import { notFound } from '@/services/safety/answer';
import { bytesOf } from '@/services/stages/stage-answer';
import { isStage } from '@/services/stages/stage-order';
import { appContext } from '@/services/app-context';
import { guarded } from '../../../../guarded';
import { stageJson } from '../../../../stage-json';

interface StageParams {
  readonly id: string;
  readonly stage: string;
}

/** What a stage of a shell shows, as JSON; it is worked out on a thread of its own and handed on as it is. */
export const GET = guarded<StageParams>(async (request, { id, stage }) => {
  if (!isStage(stage)) return notFound('stage');
  const query = new URL(request.url).search;
  const drawn = bytesOf(await appContext().stages.draw({ shellId: id, stage, query }));
  return drawn ? stageJson(drawn) : notFound('shell');
});
