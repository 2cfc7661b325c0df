import type { Transaction } from '@/store/database';
import type { JobState } from './job-record';
import type { JobInput, JobKind } from './job-inputs';

export interface JobView {
  readonly id: string;
  readonly kind: string;
  readonly shellId: string | null;
  readonly state: JobState;
  readonly done: number;
  readonly total: number;
  readonly doing: string;
  readonly trouble: string | null;
  /** What the job led to, as JSON, for the page that waits. */
  readonly result: string | null;
}

export const isOver = ({ state }: Pick<JobView, 'state'>): boolean =>
  state === 'done' || state === 'failed' || state === 'cancelled';

/**
 * Where jobs are ordered and followed. One adapter ships, threads and a table; a department with many machines puts a
 * broker behind the same interface.
 */
export interface JobQueue {
  /** The id of the job; that of one under way where the same was ordered for the same shell already. */
  order<Kind extends JobKind>(
    kind: Kind,
    shellId: string | null,
    input: JobInput<Kind>,
    /** Written in one transaction with the order, and only where it is a new one. */
    write?: (tx: Transaction) => void,
  ): string;
  /** A job is about to be ordered: whoever does it is made ready, so that it need not wait for that. */
  makeReady(): void;
  view(id: string): JobView | null;
  /** Many jobs at once; those that are not known are missing. */
  views(ids: readonly string[]): readonly JobView[];
  /** The job of a shell that is waiting or under way, newest first; null where there is none. */
  underWay(shellId: string, kind?: string): JobView | null;
  /** All jobs of a shell that are waiting or under way, newest first. */
  allUnderWay(shellId: string): readonly JobView[];
  watch(id: string, listener: (view: JobView) => void): () => void;
  /** The job when it is over, however it ended; null for one that is not known. */
  ended(id: string): Promise<JobView | null>;
  cancel(id: string): boolean;
  /** Holds a waiting job back until `resume`. One that is under way is ended and starts anew then. */
  pause(id: string): boolean;
  resume(id: string): boolean;
  readonly idle: boolean;
  close(): Promise<void>;
}
