import type { z } from 'zod';
import type { Result } from '@/core/shell/result';
import type { BlobStore } from '@/store/blobs';
import type { Transaction } from '@/store/database';
import type { Memo } from '@/store/memo';
import type { Fault } from '@/services/keep/log/fault';

export type JobState = 'waiting' | 'running' | 'paused' | 'done' | 'failed' | 'cancelled';

/** What a job has at hand in its thread. It needs neither the web process nor the layout of the disk beyond these. */
export interface WorkerTools {
  readonly blobs: BlobStore;
  readonly memo: Memo;
  readonly dataDir: string;
  readonly progress: (done: number, total: number, doing: string) => void;
  /** Has something written down while the job goes on, by its record’s `note`; resolves when it is, with the answer. */
  readonly note: (entry: unknown) => Promise<unknown>;
}

/** What the end of a job has at hand: one transaction, in which its row is marked as done, too. */
export interface Desk {
  readonly tx: Transaction;
  readonly now: string;
  readonly shellId: string | null;
  /** Orders what follows, in the same transaction. */
  readonly order: (kind: string, shellId: string | null, input: unknown) => string;
}

/** Expected trouble at the end of a job: nothing is written, and the sentence says why. */
export class Refusal extends Error {}

/**
 * One kind of work that outlives a request: a frozen record, listed in the registry. `run` works on values in a thread
 * of its own and may be run again after a restart; `settle` writes what came of it, together with the job’s end, so it
 * is done once or not at all. Nothing that must happen lives anywhere else.
 */
export interface JobRecord<Kind extends string, Input, Output> {
  readonly kind: Kind;
  readonly input: z.ZodType<Input>;
  /** A new order for the same shell ends the one before. */
  readonly supersedes?: boolean;
  /** Runs while no other job does. */
  readonly exclusive?: boolean;
  /**
   * Waits for the world outside and reads a version that does not change: it holds up no other job of its shell, and runs
   * beside all others.
   */
  readonly aside?: boolean;
  /** Leaves blobs that nothing uses where it does not end well. */
  readonly leavesBlobs?: boolean;
  readonly run: (input: Input, tools: WorkerTools) => Promise<Result<Output>>;
  /** What it returns is kept as the job’s result. */
  readonly settle: (output: Output, input: Input, desk: Desk) => unknown;
  /**
   * Writes down what a job says on the way, in a transaction of its own, and answers. A job that has this gets on where
   * it was cut off, so it may be started again as often as the server ends.
   */
  readonly note?: (entry: unknown, input: Input, desk: Desk) => unknown;
  /** What it notes counts for nothing until it is settled, and starts anew with it. */
  readonly drafts?: boolean;
  /** What is to be written where the job does not end well, in one transaction with its end. */
  readonly abandon?: (input: Input, tx: Transaction, trouble: string) => void;
  /** For a job that can’t be cut off: writes down that it is wanted no more, and the job ends by itself. */
  readonly cancelled?: (input: Input, tx: Transaction) => void;
  /** Files that are of no use any more, however the job ended. */
  readonly leftovers?: (input: Input) => readonly string[];
}

export const defineJob = <Kind extends string, Input, Output>(
  record: JobRecord<Kind, Input, Output>,
): JobRecord<Kind, Input, Output> => Object.freeze(record);

type Noting = Pick<JobRecord<string, never, never>, 'note' | 'drafts'>;

/** Does a job continue where it was cut off? One that notes on the way has done a part by then. */
export const goesOn = ({ note, drafts }: Noting): boolean => note !== undefined && drafts !== true;

/** What a job of a kind leaves behind where it is cut off, as a sentence. */
export const leftBehind = (record: Noting): string =>
  goesOn(record)
    ? 'What it had done by then stands in the ledger, and it can go on from there.'
    : 'Nothing was changed.';

/** What goes to a thread and what comes back. */
export interface JobMessage {
  readonly type: 'job';
  readonly id: string;
  readonly kind: string;
  /** As JSON: the thread that does the job reads it, since a plan of thousands of steps takes long to. */
  readonly input: string;
}
/** The answer to a note; `trouble` where it could not be written down. */
export interface NoteAnswer {
  readonly type: 'note';
  readonly number: number;
  readonly answer: unknown;
  readonly trouble: string | null;
}
export type JobReport =
  | {
      readonly id: string;
      readonly type: 'progress';
      readonly done: number;
      readonly total: number;
      readonly doing: string;
    }
  | { readonly id: string; readonly type: 'note'; readonly number: number; readonly entry: unknown }
  | {
      readonly id: string;
      readonly type: 'done';
      readonly output: unknown;
      /** What its process holds after it, in bytes. */
      readonly heapBytes?: number;
    }
  | {
      readonly id: string;
      readonly type: 'trouble';
      readonly heapBytes?: number;
      readonly message: string;
      /** Where it came from, where nobody had foreseen it. */
      readonly fault?: Fault;
    };
