'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import { isOver, type JobView } from '@/services/keep/jobs/job-queue';
import { useJobsUnderWay } from './jobs-under-way';

export interface WatchedJob {
  readonly view: JobView | null;
  readonly trouble: string | null;
  /** Starts a job by a request that answers with its id. */
  start(url: string, body?: unknown, method?: string): Promise<void>;
  cancel(): void;
}

/** A job that may be under way already when the page is opened: whose it is and what kind. */
export interface JobAgain {
  readonly shellId: string;
  readonly kind: string;
}

/** Starts a job, or finds the one again that is under way, and follows it to its end; `onDone` gets what it led to. */
export function useJob(onDone: (view: JobView) => void, again?: JobAgain): WatchedJob {
  const [shellId, kind] = [again?.shellId, again?.kind];
  const known = useJobsUnderWay().find((job) => job.kind === kind)?.id ?? null;
  const [id, setId] = useState(known);
  // One that is ordered again while it is under way is followed anew.
  const [turn, setTurn] = useState(0);
  const [knownBefore, setKnownBefore] = useState(known);
  if (known !== knownBefore) {
    setKnownBefore(known);
    if (known) setId(known);
  }
  // A page that was kept and is shown again may know nothing of what was begun since.
  useEffect(() => {
    if (shellId === undefined || kind === undefined) return;
    let isCurrent = true;
    const url = `/api/shells/${shellId}/jobs?kind=${kind}`;
    void send<{ job: JobView | null }>(url, undefined, 'GET').then((result) => {
      const job = result.ok ? result.value.job : null;
      if (isCurrent && job) setId((now) => now ?? job.id);
    });
    return () => {
      isCurrent = false;
    };
  }, [shellId, kind]);
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
      if (!isOver(next)) return;
      stream.close();
      if (next.state === 'done') done.current(next);
      else setTrouble(next.trouble);
    };
    return () => stream.close();
  }, [id, turn]);

  const start = useCallback(async (url: string, body?: unknown) => {
    setTrouble(null);
    setView(null);
    const result = await send<{ jobId: string }>(url, body);
    if (result.ok) {
      setId(result.value.jobId);
      setTurn((n) => n + 1);
    } else setTrouble(result.trouble);
  }, []);
  const cancel = useCallback(() => {
    if (id) void send(`/api/jobs/${id}/cancel`);
  }, [id]);
  return { view, trouble, start, cancel };
}

/** A browser sends what is begun even if the page is left at once, as long as it is no longer than this (Fetch, 4.5). */
const longestKeptAlive = 16_000;

export type Sent<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly trouble: string };

/** Sends JSON and returns the answer or the one sentence of its trouble. */
export function send<T = unknown>(url: string, body: unknown = {}, method = 'POST'): Promise<Sent<T>> {
  const written = method === 'GET' ? undefined : JSON.stringify(body);
  return answerTo<T>(url, {
    method,
    headers: { 'content-type': 'application/json' },
    body: written,
    keepalive: written !== undefined && written.length < longestKeptAlive,
  });
}

/** Sends the text of a file as it is. */
export const sendText = <T = unknown>(url: string, text: string): Promise<Sent<T>> =>
  answerTo<T>(url, { method: 'POST', headers: { 'content-type': 'text/plain; charset=utf-8' }, body: text });

async function answerTo<T>(url: string, request: RequestInit): Promise<Sent<T>> {
  try {
    const response = await fetch(url, request);
    const value = (await response.json()) as T & { trouble?: string };
    return response.ok
      ? { ok: true, value }
      : { ok: false, trouble: value.trouble ?? 'That did not work; try again.' };
  } catch {
    return { ok: false, trouble: 'Currycomb does not answer; is it still running?' };
  }
}
