'use client';
import { useCallback, useEffect, useRef } from 'react';
import { send, type Sent } from './use-job';

interface Waiting {
  readonly url: string;
  readonly body: unknown;
}

/**
 * Sends changes one after another, so that what was done last stands last. What still waits in line when the page is
 * left is sent off then: nothing that was decided is lost by being quick.
 */
export function useLine(): <T>(url: string, body: unknown) => Promise<Sent<T>> {
  const line = useRef<Promise<unknown>>(Promise.resolve());
  const waiting = useRef<readonly Waiting[]>([]);
  useEffect(() => {
    const sendAll = () => {
      for (const { url, body } of waiting.current) void send(url, body);
      waiting.current = [];
    };
    window.addEventListener('pagehide', sendAll);
    return () => window.removeEventListener('pagehide', sendAll);
  }, []);
  return useCallback(<T>(url: string, body: unknown) => {
    const one: Waiting = { url, body };
    waiting.current = [...waiting.current, one];
    const sent = line.current.then(() => {
      waiting.current = waiting.current.filter((other) => other !== one);
      return send<T>(url, body);
    });
    line.current = sent;
    return sent;
  }, []);
}
