import { evidenceOf } from '@/services/decide/evidence';
import { notFound } from '@/services/safety/answer';
import { shellRoute } from '../../../../shell-route';

interface Params {
  readonly params: Promise<{ readonly id: string; readonly finding: string }>;
}

export const GET = shellRoute<Params>((shell, context, _request, { finding }) => {
  const evidence = evidenceOf(context, shell, finding);
  return evidence ? Response.json(evidence) : notFound('finding');
});
