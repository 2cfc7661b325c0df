import { notFound } from '@/services/wire/answers/answer';
import { bytesOf } from '@/services/keep/desks/stage-answer';
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
