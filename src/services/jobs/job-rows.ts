import { randomUUID } from 'node:crypto';
import { and, eq, inArray, lt, sql, type SQL } from 'drizzle-orm';
import type { Db, Transaction } from '@/store/database';
import { jobs } from '@/store/schema';
import type { JobView } from './job-queue';

export type JobRow = typeof jobs.$inferSelect;
type JobChange = Partial<typeof jobs.$inferInsert>;

/** How long a job that is over is remembered, in milliseconds. */
const keptFor = 7 * 86_400_000;

/**
 * The rows of jobs. Where the database can’t be written for a while, the end of a job is remembered here and shown as
 * if it were written, so that nobody waits for a job that is over; it is written as soon as that is possible.
 */
export class JobRows {
  private readonly unwritten = new Map<string, { readonly row: JobRow; readonly write: () => void }>();

  constructor(private readonly db: Db) {}

  find(id: string): JobRow | null {
    const remembered = this.unwritten.get(id)?.row;
    return remembered ?? this.db.select().from(jobs).where(eq(jobs.id, id)).get() ?? null;
  }

  view(id: string): JobView | null {
    return this.find(id);
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

  /** Jobs of a shell, or of none, that are waiting, under way or paused, newest first. */
  activeOf(shellId: string | null, kind?: string): readonly JobRow[] {
    const wanted: SQL[] = [inArray(jobs.state, ['waiting', 'running', 'paused'])];
    if (shellId !== null) wanted.push(eq(jobs.shellId, shellId));
    if (kind !== undefined) wanted.push(eq(jobs.kind, kind));
    const rows = this.db
      .select()
      .from(jobs)
      .where(and(...wanted))
      .orderBy(sql`rowid DESC`)
      .all();
    return rows.filter((row) => row.shellId === shellId && !this.unwritten.has(row.id));
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
    const write = () =>
      this.db.transaction((tx) => {
        alongside(tx);
        tx.update(jobs).set(end).where(eq(jobs.id, job.id)).run();
      });
    try {
      write();
    } catch {
      this.unwritten.set(job.id, { row: { ...job, ...end }, write });
    }
  }

  /** Writes what could not be written before; says whether nothing is left of it. */
  catchUp(): boolean {
    for (const [id, { write }] of this.unwritten) {
      try {
        write();
        this.unwritten.delete(id);
      } catch {
        return false;
      }
    }
    return true;
  }

  prune(): void {
    const before = new Date(Date.now() - keptFor).toISOString();
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
