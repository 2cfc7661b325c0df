'use client';
import { useEffect, useState } from 'react';
import type { RedateAsked } from '@/services/do/drafts/redate-ask';
import type { RedatePreview } from '@/services/do/decide/redate-plan';
import { send } from '../jobs/use-job';

export interface Redating {
  readonly preview: RedatePreview | null;
  readonly trouble: string | null;
  /** The preview is of what was asked before; the newest is under way. */
  readonly isOld: boolean;
  /** Puts what is shown into the plan. */
  take(only: readonly string[] | null): Promise<RedatePreview | null>;
  /** Works the same out once more, since the plan changed. */
  again(): void;
}

/** Works a re-dating out whenever what is asked changes; the last answer stays until the next one is there. */
export function useRedating(shellId: string, ask: RedateAsked): Redating {
  const [turn, setTurn] = useState(0);
  const wanted = `${turn} ${JSON.stringify(ask)}`;
  const [shown, setShown] = useState<{
    wanted: string;
    preview: RedatePreview | null;
    trouble: string | null;
  }>({
    wanted: '',
    preview: null,
    trouble: null,
  });
  const address = `/api/shells/${shellId}/redate`;
  useEffect(() => {
    let isCurrent = true;
    // While a number is typed, not every digit is worked out.
    const timer = setTimeout(() => {
      const body = JSON.parse(wanted.slice(wanted.indexOf(' ') + 1)) as RedateAsked;
      void send<RedatePreview>(address, body).then((result) => {
        if (!isCurrent) return;
        setShown(
          result.ok
            ? { wanted, preview: result.value, trouble: null }
            : { wanted, preview: null, trouble: result.trouble },
        );
      });
    }, 150);
    return () => {
      isCurrent = false;
      clearTimeout(timer);
    };
  }, [address, wanted]);
  const take = async (only: readonly string[] | null) => {
    const result = await send<RedatePreview>(address, { ...ask, only, take: true });
    if (result.ok) return result.value;
    setShown((now) => ({ ...now, trouble: result.trouble }));
    return null;
  };
  return {
    preview: shown.preview,
    trouble: shown.trouble,
    isOld: shown.wanted !== wanted,
    take,
    again: () => setTurn((n) => n + 1),
  };
}
