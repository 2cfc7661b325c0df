'use client';
import { useEffect, useState } from 'react';
import type { FindingEvidence } from '@/services/decide/evidence';
import { send } from '../jobs/use-job';

export interface LoadedEvidence {
  readonly id: string;
  readonly evidence: FindingEvidence | null;
  readonly trouble: string | null;
}

/** What proves a finding and what else may be done about it, asked for when it is looked at; null until it is here. */
export function useEvidence(shellId: string, findingId: string | null): LoadedEvidence | null {
  const [loaded, setLoaded] = useState<LoadedEvidence | null>(null);
  useEffect(() => {
    if (findingId === null) return;
    let isCurrent = true;
    const url = `/api/shells/${shellId}/evidence/${findingId}`;
    void send<FindingEvidence>(url, undefined, 'GET').then((result) => {
      if (!isCurrent) return;
      setLoaded(
        result.ok
          ? { id: findingId, evidence: result.value, trouble: null }
          : { id: findingId, evidence: null, trouble: result.trouble },
      );
    });
    return () => {
      isCurrent = false;
    };
  }, [shellId, findingId]);
  return loaded?.id === findingId ? loaded : null;
}
