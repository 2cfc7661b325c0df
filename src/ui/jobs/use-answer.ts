'use client';
import { useEffect, useState } from 'react';
import { send } from './use-job';

/** What an address answered: the value, or the one sentence of its trouble. */
export interface Answer<T> {
  readonly value: T | null;
  readonly trouble: string | null;
}

/** Asks an address whenever it changes; null until the answer to just that is here. */
export function useAnswer<T>(address: string | null): Answer<T> | null {
  const [answered, setAnswered] = useState<{ address: string; answer: Answer<T> } | null>(null);
  useEffect(() => {
    if (address === null) return;
    let isCurrent = true;
    void send<T>(address, undefined, 'GET').then((result) => {
      if (!isCurrent) return;
      const answer = result.ok
        ? { value: result.value, trouble: null }
        : { value: null, trouble: result.trouble };
      setAnswered({ address, answer });
    });
    return () => {
      isCurrent = false;
    };
  }, [address]);
  return answered?.address === address ? answered.answer : null;
}
