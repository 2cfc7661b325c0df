'use client';
import type { FindingEvidence } from '@/services/show/decide/evidence';
import { useAnswer } from '../jobs/use-answer';

export interface LoadedEvidence {
  readonly evidence: FindingEvidence | null;
  readonly trouble: string | null;
}

/** What proves a finding and what else may be done about it, asked for when it is looked at; null until it is here. */
export function useEvidence(shellId: string, findingId: string | null): LoadedEvidence | null {
  const address = findingId === null ? null : `/api/shells/${shellId}/evidence/${findingId}`;
  const answer = useAnswer<FindingEvidence>(address);
  return answer && { evidence: answer.value, trouble: answer.trouble };
}
