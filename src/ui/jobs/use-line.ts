'use client';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef } from 'react';
import { send, type Sent } from './use-job';

interface Waiting {
  readonly url: string;
  readonly body: unknown;
}

/** Remembers, from one page to the next, that changes were sent off while the page was left. */
const sentLate = 'currycomb.sent-late';
/** The next page may have been read before they arrived. A few are there at once, hundreds take their time. */
const readAgainAfter = [500, 1500, 4000];

/**
 * Sends changes one after another, so that what was done last stands last. What still waits in line when the page is
 * left is sent off then, and the next page is read once more: nothing that was decided is lost by being quick.
 */
export function useLine(): <T>(url: string, body: unknown) => Promise<Sent<T>> {
  const router = useRouter();
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const waiting = useRef<readonly Waiting[]>([]);
  const unanswered = useRef(0);
  useEffect(() => {
    // The next page is asked for before this one is hidden: what is answered in between is not in it.
    const note = () => {
      if (unanswered.current > 0) sessionStorage.setItem(sentLate, 'yes');
    };
    const sendAll = () => {
      note();
      for (const { url, body } of waiting.current) void send(url, body);
      waiting.current = [];
    };
    window.addEventListener('beforeunload', note);
    window.addEventListener('pagehide', sendAll);
    return () => {
      window.removeEventListener('beforeunload', note);
      window.removeEventListener('pagehide', sendAll);
    };
  }, []);
  useEffect(() => {
    if (sessionStorage.getItem(sentLate) === null) return;
    const timers = readAgainAfter.map((wait, n) =>
      setTimeout(() => {
        if (n === readAgainAfter.length - 1) sessionStorage.removeItem(sentLate);
        router.refresh();
      }, wait),
    );
    return () => timers.forEach(clearTimeout);
  }, [router]);
  return useCallback(<T>(url: string, body: unknown) => {
    const one: Waiting = { url, body };
    waiting.current = [...waiting.current, one];
    unanswered.current += 1;
    const sent = line.current.then(async () => {
      waiting.current = waiting.current.filter((other) => other !== one);
      const result = await send<T>(url, body);
      unanswered.current -= 1;
      return result;
    });
    line.current = sent;
    return sent;
  }, []);
}
