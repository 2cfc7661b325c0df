'use client';
import { useEffect, useState } from 'react';
import type { ResetAsked } from '@/services/do/drafts/reset-ask';
import type { ResetPreview } from '@/services/do/decide/reset-plan';
import { send } from '../jobs/use-job';

export interface ResetState {
  /** What was worked out last; null until it is here. */
  readonly preview: ResetPreview | null;
  readonly trouble: string | null;
  /** Arms the reset and puts it into the plan; tells whether it did. */
  take(code: string, withStudentWork: number): Promise<boolean>;
}

/** Works a reset out whenever what is asked changes. */
export function useReset(shellId: string, ask: ResetAsked): ResetState {
  const address = `/api/shells/${shellId}/reset`;
  const wanted = JSON.stringify(ask);
  const [shown, setShown] = useState<{ preview: ResetPreview | null; trouble: string | null }>({
    preview: null,
    trouble: null,
  });
  useEffect(() => {
    let isCurrent = true;
    void send<ResetPreview>(address, JSON.parse(wanted)).then((result) => {
      if (!isCurrent) return;
      setShown((now) =>
        result.ok
          ? { preview: result.value, trouble: null }
          : { preview: now.preview, trouble: result.trouble },
      );
    });
    return () => {
      isCurrent = false;
    };
  }, [address, wanted]);
  const take = async (code: string, withStudentWork: number) => {
    const result = await send<ResetPreview>(address, { ...ask, take: { code, withStudentWork } });
    if (!result.ok) setShown((now) => ({ ...now, trouble: result.trouble }));
    return result.ok;
  };
  return { ...shown, take };
}
