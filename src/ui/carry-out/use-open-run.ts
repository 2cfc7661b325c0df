'use client';
import { useEffect, useRef, useState } from 'react';
import type { OpenRunView } from '@/services/show/carry-out/open-run-view';
import { send } from '../jobs/use-job';

/** How often the run is looked at, in milliseconds. */
const lookEvery = 700;
/** Over how long the rate is taken, in milliseconds. */
const rateOver = 5_000;

/** Follows a run on the host; `onOver` is called when it is at its end. */
export function useOpenRun(
  shellId: string,
  first: OpenRunView,
  onOver: () => void,
): { readonly run: OpenRunView; readonly rate: number } {
  const [run, setRun] = useState(first);
  const [rate, setRate] = useState(0);
  const seen = useRef<{ at: number; done: number }[]>([]);
  const over = useRef(onOver);
  useEffect(() => {
    over.current = onOver;
  });
  useEffect(() => {
    const timer = setInterval(() => void look(), lookEvery);
    return () => clearInterval(timer);

    async function look(): Promise<void> {
      const answer = await send<{ run: OpenRunView | null }>(`/api/shells/${shellId}/run`, undefined, 'GET');
      if (!answer.ok) return;
      const next = answer.value.run;
      if (next === null) {
        clearInterval(timer);
        over.current();
        return;
      }
      setRun(next);
      setRate(rateOf(next.sent));
    }

    /** Changes a second, over the last seconds. */
    function rateOf(done: number): number {
      const now = Date.now();
      seen.current = [...seen.current.filter(({ at }) => now - at < rateOver), { at: now, done }];
      const [oldest] = seen.current;
      const passed = oldest ? now - oldest.at : 0;
      return oldest && passed > 0 ? ((done - oldest.done) * 1000) / passed : 0;
    }
  }, [shellId]);
  return { run, rate };
}
