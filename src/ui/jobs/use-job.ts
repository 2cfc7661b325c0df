'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { JobView } from '@/services/jobs/job-queue';

export interface WatchedJob {
  readonly view: JobView | null;
  readonly trouble: string | null;
  /** Starts a job by a request that answers with its id. */
  start(url: string, body?: unknown, method?: string): Promise<void>;
  cancel(): void;
}

/** Starts a job and follows it to its end; `onDone` gets what it led to. */
export function useJob(onDone: (view: JobView) => void): WatchedJob {
  const [id, setId] = useState<string | null>(null);
  const [view, setView] = useState<JobView | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const done = useRef(onDone);
  useEffect(() => {
    done.current = onDone;
  });

  useEffect(() => {
    if (!id) return;
    const stream = new EventSource(`/api/jobs/${id}/events`);
    stream.onmessage = (message) => {
      const next = JSON.parse(message.data as string) as JobView;
      setView(next);
      if (next.state === 'waiting' || next.state === 'running') return;
      stream.close();
      if (next.state === 'done') done.current(next);
      else setTrouble(next.trouble);
    };
    return () => stream.close();
  }, [id]);

  const start = useCallback(async (url: string, body?: unknown) => {
    setTrouble(null);
    setView(null);
    const result = await send<{ jobId: string }>(url, body);
    if (result.ok) setId(result.value.jobId);
    else setTrouble(result.trouble);
  }, []);
  const cancel = useCallback(() => {
    if (id) void send(`/api/jobs/${id}/cancel`);
  }, [id]);
  return { view, trouble, start, cancel };
}

export type Sent<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly trouble: string };

/** Sends JSON and returns the answer or the one sentence of its trouble. */
export async function send<T = unknown>(url: string, body: unknown = {}, method = 'POST'): Promise<Sent<T>> {
  try {
    const response = await fetch(url, {
      method,
      headers: { 'content-type': 'application/json' },
      body: method === 'GET' ? undefined : JSON.stringify(body),
    });
    const value = (await response.json()) as T & { trouble?: string };
    return response.ok
      ? { ok: true, value }
      : { ok: false, trouble: value.trouble ?? 'That did not work; try again.' };
  } catch {
    return { ok: false, trouble: 'Currycomb does not answer; is it still running?' };
  }
}
