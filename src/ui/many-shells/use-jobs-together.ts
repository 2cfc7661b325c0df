'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { JobsProgress } from '@/services/do/many-shells/jobs-progress';
import { send } from '../jobs/use-job';

export interface JobsTogether {
  /** Null where nothing is under way. */
  readonly progress: JobsProgress | null;
  /** Follows these jobs; resolves when all are over. */
  follow(ids: readonly string[]): Promise<JobsProgress | null>;
  cancel(): void;
}

/** How often the jobs are looked at, in milliseconds. */
const lookEvery = 400;

/** Many jobs with one figure for all of them. */
export function useJobsTogether(): JobsTogether {
  const [progress, setProgress] = useState<JobsProgress | null>(null);
  const followed = useRef<readonly string[]>([]);
  const isGone = useRef(false);
  useEffect(() => {
    isGone.current = false;
    return () => {
      isGone.current = true;
    };
  }, []);
  const follow = useCallback(async (ids: readonly string[]) => {
    followed.current = ids;
    for (;;) {
      const answer = await send<JobsProgress>('/api/jobs/progress', { ids });
      if (isGone.current) return null;
      if (answer.ok) setProgress(answer.value);
      if (answer.ok && answer.value.over === answer.value.all) {
        setProgress(null);
        return answer.value;
      }
      await new Promise((resolve) => setTimeout(resolve, lookEvery));
    }
  }, []);
  const cancel = useCallback(() => {
    for (const id of followed.current) void send(`/api/jobs/${id}/cancel`);
  }, []);
  return { progress, follow, cancel };
}
