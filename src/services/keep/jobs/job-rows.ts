import { randomUUID } from 'node:crypto';
import { and, eq, inArray, lt, sql, type SQL } from 'drizzle-orm';
import type { Db, Transaction } from '@/store/database';
import { inList } from '@/store/in-list';
import { jobs } from '@/store/schema';
import type { JobView } from './job-queue';

export type JobRow = typeof jobs.$inferSelect;
const shownColumns = {
  id: jobs.id,
  kind: jobs.kind,
  shellId: jobs.shellId,
  state: jobs.state,
  done: jobs.done,
  total: jobs.total,
  doing: jobs.doing,
  trouble: jobs.trouble,
  result: jobs.result,
} as const;
type JobProgress = Pick<JobView, 'done' | 'total' | 'doing'>;
type JobChange = Partial<typeof jobs.$inferInsert>;

/** How long a job that is over is remembered, in milliseconds. */
const day = 86_400_000;
const keptFor = 7 * day;

/**
 * The rows of jobs. Where the database can’t be written for a while, the end of a job is remembered here and shown as
 * if it were written, so that nobody waits for a job that is over; it is written as soon as that is possible.
 */
export class JobRows {
  private readonly unwritten = new Map<string, { readonly row: JobRow; readonly write: () => void }>();
  /**
   * How far running jobs are. It is written with their end alone: it is told twenty times a second, and each writing
   * would wait for the disk.
   */
  private readonly progress = new Map<string, JobProgress>();

  private prunedAt = 0;

  constructor(private readonly db: Db) {}

  find(id: string): JobRow | null {
    const remembered = this.unwritten.get(id)?.row;
    return remembered ?? this.db.select().from(jobs).where(eq(jobs.id, id)).get() ?? null;
  }

  /** What is shown of a job, without its input, which may hold a plan of thousands of steps. */
  view(id: string): JobView | null {
    const remembered = this.unwritten.get(id)?.row;
    if (remembered) return remembered;
    const row = this.db.select(shownColumns).from(jobs).where(eq(jobs.id, id)).get();
    return row ? this.asFarAs(row) : null;
  }

  /** Many jobs at once; those that are not known are missing. */
  views(ids: readonly string[]): readonly JobView[] {
    const rows = this.db.select(shownColumns).from(jobs).where(inList(jobs.id, ids)).all();
    return rows.map((row) => this.unwritten.get(row.id)?.row ?? this.asFarAs(row));
  }

  private asFarAs(row: JobView): JobView {
    return row.state === 'running' ? { ...row, ...this.progress.get(row.id) } : row;
  }

  tellProgress(id: string, progress: JobProgress): void {
    this.progress.set(id, progress);
  }

  /** How far a job came, to be written with its end. */
  lastProgress(id: string): Partial<JobProgress> {
    return this.progress.get(id) ?? {};
  }

  forgetProgress(id: string): void {
    this.progress.delete(id);
  }

  /** Jobs that wait, in the order in which they were ordered. */
  waiting(): readonly JobRow[] {
    const rows = this.db
      .select()
      .from(jobs)
      .where(eq(jobs.state, 'waiting'))
      .orderBy(sql`rowid`)
      .all();
    return rows.filter((row) => !this.unwritten.has(row.id));
  }

  /** Jobs that a server did not end. */
  running(): readonly JobRow[] {
    return this.db.select().from(jobs).where(eq(jobs.state, 'running')).all();
  }

  /** Jobs of a shell, or of none, that are waiting, under way or paused, newest first; of one input where that is asked. */
  activeOf(shellId: string | null, kind?: string, input?: string): readonly JobView[] {
    const wanted: SQL[] = [inArray(jobs.state, ['waiting', 'running', 'paused'])];
    if (shellId !== null) wanted.push(eq(jobs.shellId, shellId));
    if (kind !== undefined) wanted.push(eq(jobs.kind, kind));
    if (input !== undefined) wanted.push(eq(jobs.input, input));
    const rows = this.db
      .select(shownColumns)
      .from(jobs)
      .where(and(...wanted))
      .orderBy(sql`rowid DESC`)
      .all();
    return rows
      .filter((row) => row.shellId === shellId && !this.unwritten.has(row.id))
      .map((row) => this.asFarAs(row));
  }

  change(id: string, change: JobChange): void {
    this.db.update(jobs).set(change).where(eq(jobs.id, id)).run();
  }

  /** Lets a paused job wait for its turn again; says whether it was paused. */
  resume(id: string): boolean {
    const { changes } = this.db
      .update(jobs)
      .set({ state: 'waiting', doing: 'Waiting' })
      .where(and(eq(jobs.id, id), eq(jobs.state, 'paused')))
      .run();
    return changes > 0;
  }

  /** Writes the end of a job with what belongs to it; where that can’t be written now, remembers both. */
  end(job: JobRow, end: JobChange & Pick<JobRow, 'state'>, alongside: (tx: Transaction) => void): void {
    const whole = { ...this.lastProgress(job.id), ...end };
    const write = () =>
      this.db.transaction((tx) => {
        alongside(tx);
        tx.update(jobs).set(whole).where(eq(jobs.id, job.id)).run();
      });
    try {
      write();
    } catch {
      this.unwritten.set(job.id, { row: { ...job, ...whole }, write });
    }
  }

  /** Writes what could not be written before; throws where that is still not possible. */
  catchUp(): void {
    for (const [id, { write }] of this.unwritten) {
      write();
      this.unwritten.delete(id);
    }
  }

  /** Forgets jobs that were over long ago; at most once a day, since a server may run for months. */
  pruneDaily(): void {
    const now = Date.now();
    if (now - this.prunedAt < day) return;
    this.prunedAt = now;
    const before = new Date(now - keptFor).toISOString();
    this.db
      .delete(jobs)
      .where(and(inArray(jobs.state, ['done', 'failed', 'cancelled']), lt(jobs.finishedAt, before)))
      .run();
  }
}

export function insertJob(tx: Transaction, kind: string, shellId: string | null, input: string): string {
  const id = randomUUID();
  tx.insert(jobs)
    .values({
      id,
      kind,
      shellId,
      state: 'waiting',
      input,
      done: 0,
      total: 1,
      doing: 'Waiting',
      createdAt: new Date().toISOString(),
    })
    .run();
  return id;
}
