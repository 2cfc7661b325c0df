import { rmSync } from 'node:fs';
import { eq } from 'drizzle-orm';
import type { Db, Transaction } from '@/store/database';
import { jobs } from '@/store/schema';
import { faultOf, type Fault } from '@/services/keep/log/fault';
import { noteTrouble } from '@/services/keep/log/troubles';
import { isPassing } from '@/services/keep/storage/leftovers';
import { storageFault } from '@/services/keep/storage/storage-fault';
import { leftBehind, Refusal, type Desk, type NoteAnswer } from '@/services/keep/jobs/job-record';
import { insertJob, type JobRow, type JobRows } from '@/services/keep/jobs/job-rows';
import { jobOf, type AnyJob } from '@/services/wire/jobs/registry';

/** Why what came of a job could not be kept. */
export interface NotSettled {
  readonly trouble: string;
  readonly fault: Fault | null;
}

/** Writes down what comes of jobs, on the way and at their end: each in one transaction, so it is done once or not at all. */
export class JobSettling {
  constructor(
    private readonly db: Db,
    private readonly rows: JobRows,
    private readonly dataDir: string,
  ) {}

  /** Writes down what a job says on the way; the job waits for the answer. */
  note(job: JobRow, number: number, entry: unknown): NoteAnswer {
    const record = jobOf(job.kind);
    try {
      const answer = this.db.transaction((tx) => {
        // It gets on, so it is not what ends the server.
        if (!record?.drafts) tx.update(jobs).set({ tries: 1 }).where(eq(jobs.id, job.id)).run();
        return record?.note?.(entry, inputOf(job), deskOf(job, tx));
      });
      return { type: 'note', number, answer, trouble: null };
    } catch (error) {
      return { type: 'note', number, answer: null, trouble: this.whyNotNoted(job, error) };
    }
  }

  private whyNotNoted(job: JobRow, error: unknown): string {
    if (error instanceof Refusal) return error.message;
    const storage = storageFault(error, this.dataDir);
    const fault = faultOf(storage?.cause ?? error);
    noteTrouble({ during: `a note of the job ${job.kind}`, id: job.id, sentence: null, fault });
    return storage?.message ?? 'What was done could not be written down, so it was stopped there.';
  }

  /** Writes what came of a job and its end: both, or neither with the reason. */
  settle(job: JobRow, record: AnyJob, output: unknown): NotSettled | null {
    try {
      this.db.transaction((tx) => {
        const desk = deskOf(job, tx);
        const result = record.settle(output, inputOf(job), desk);
        tx.update(jobs)
          .set({
            ...this.rows.lastProgress(job.id),
            state: 'done',
            result: result === undefined ? null : JSON.stringify(result),
            finishedAt: desk.now,
          })
          .where(eq(jobs.id, job.id))
          .run();
      });
      return null;
    } catch (error) {
      if (error instanceof Refusal) return { trouble: error.message, fault: null };
      const storage = storageFault(error, this.dataDir);
      const trouble = storage?.message ?? `What came of it could not be kept. ${leftBehind(record)}`;
      return { trouble, fault: faultOf(error) };
    }
  }

  /** Writes the end of a job that came to nothing, with what its record has to say then. */
  abandon(job: JobRow, trouble: string): void {
    const end = { state: 'failed', trouble, finishedAt: new Date().toISOString() } as const;
    this.rows.end(job, end, (tx) => jobOf(job.kind)?.abandon?.(inputOf(job), tx, trouble));
  }

  /** Clears away what a job that is over had of files; nothing else, whatever its row names. */
  clearFilesOf(job: JobRow, record: AnyJob): void {
    const parsed = record.input.safeParse(inputOf(job));
    if (!parsed.success) return;
    for (const file of record.leftovers?.(parsed.data) ?? [])
      if (isPassing(this.dataDir, file)) rmSync(file, { force: true });
  }
}

const deskOf = (job: JobRow, tx: Transaction): Desk => ({
  tx,
  now: new Date().toISOString(),
  shellId: job.shellId,
  order: (kind, shellId, more) => insertJob(tx, kind, shellId, JSON.stringify(more)),
});

/** What a job was given; nothing where its row can't be read, which its schema then refuses. */
export function inputOf(job: JobRow): unknown {
  try {
    return JSON.parse(job.input);
  } catch {
    return null;
  }
}
