import { notFound } from '@/services/safety/answer';
import { bytesOf } from '@/services/stages/stage-answer';
import { stageJson } from '../../../../stage-json';
import { shellRoute } from '../../../../shell-route';

interface Params {
  readonly params: Promise<{ readonly id: string; readonly finding: string }>;
}

export const GET = shellRoute<Params>(async ({ row }, context, _request, { finding }) => {
  const query = new URLSearchParams({ finding }).toString();
  const evidence = bytesOf(await context.stages.draw({ shellId: row.id, stage: 'evidence', query }));
  return evidence ? stageJson(evidence) : notFound('finding');
});
