import { randomUUID } from 'node:crypto';
import { EventEmitter } from 'node:events';
import { Worker } from 'node:worker_threads';
import { eq, inArray } from 'drizzle-orm';
import type { Db } from '@/store/database';
import { jobs } from '@/store/schema';
import type { JobKind, JobKinds, JobOrder, JobReport } from './job-kinds';

export type JobState = 'waiting' | 'running' | 'done' | 'failed' | 'cancelled';
export interface JobView {
  readonly id: string;
  readonly kind: string;
  readonly shellId: string | null;
  readonly state: JobState;
  readonly done: number;
  readonly total: number;
  readonly doing: string;
  readonly trouble: string | null;
  /** What the job led to, for the page that waits: set by whoever ordered it. */
  readonly result: string | null;
}

interface Order<K extends JobKind> {
  readonly id: string;
  readonly kind: K;
  readonly input: JobKinds[K]['input'];
  /** Runs on the ordering thread, in its own short transaction; what it returns is kept as the job's result. */
  readonly settle: (output: JobKinds[K]['output']) => unknown;
  readonly tidy?: (state: JobState) => void;
}

/**
 * One worker thread and a queue in front of it. Jobs are rows, so that a page can leave and come back; a job that a
 * restart cut off is marked as failed with a sentence that says so, and can be ordered again.
 */
export class JobRunner {
  private worker: Worker | null = null;
  private current: Order<JobKind> | null = null;
  private readonly queue: Order<JobKind>[] = [];
  private readonly events = new EventEmitter();

  constructor(
    private readonly db: Db,
    private readonly workerFile: string,
    private readonly blobsDir: string,
  ) {
    this.events.setMaxListeners(0);
    db.update(jobs)
      .set({
        state: 'failed',
        trouble: 'Currycomb was restarted while this was running; nothing was changed. Start it again.',
        finishedAt: new Date().toISOString(),
      })
      .where(inArray(jobs.state, ['waiting', 'running']))
      .run();
  }

  get idle(): boolean {
    return this.current === null && this.queue.length === 0;
  }

  order<K extends JobKind>(
    kind: K,
    shellId: string | null,
    input: JobKinds[K]['input'],
    settle: (output: JobKinds[K]['output']) => unknown,
    tidy?: (state: JobState) => void,
  ): string {
    const id = randomUUID();
    this.db
      .insert(jobs)
      .values({
        id,
        kind,
        shellId,
        state: 'waiting',
        done: 0,
        total: 1,
        doing: 'Waiting',
        createdAt: new Date().toISOString(),
      })
      .run();
    this.queue.push({ id, kind, input, settle: settle as Order<JobKind>['settle'], tidy } as Order<JobKind>);
    this.next();
    return id;
  }

  view(id: string): JobView | null {
    const row = this.db.select().from(jobs).where(eq(jobs.id, id)).get();
    return row ? { ...row, state: row.state } : null;
  }

  /** Calls back at every change of a job, until it returns false. */
  watch(id: string, listener: (view: JobView) => void): () => void {
    const send = () => {
      const view = this.view(id);
      if (view) listener(view);
    };
    this.events.on(id, send);
    return () => this.events.off(id, send);
  }

  /** The job when it is over, however it ended; null for one that is not known. */
  ended(id: string): Promise<JobView | null> {
    const isOver = ({ state }: JobView) => state === 'done' || state === 'failed' || state === 'cancelled';
    return new Promise((resolve) => {
      const now = this.view(id);
      if (!now || isOver(now)) return resolve(now);
      const stop = this.watch(id, (view) => {
        if (!isOver(view)) return;
        stop();
        resolve(view);
      });
    });
  }

  /** Ends a job; what it had begun is thrown away. */
  cancel(id: string): boolean {
    const waiting = this.queue.findIndex((o) => o.id === id);
    if (waiting >= 0) {
      const [order] = this.queue.splice(waiting, 1);
      this.finish(order!, 'cancelled', null, 'Cancelled; nothing was changed.');
      return true;
    }
    if (this.current?.id !== id) return false;
    const order = this.current;
    this.current = null;
    const ended = this.worker?.terminate();
    this.worker = null;
    this.update(order.id, {
      state: 'cancelled',
      result: null,
      trouble: 'Cancelled; nothing was changed.',
      finishedAt: new Date().toISOString(),
    });
    // Only when the thread has really ended does it write nothing any more.
    void Promise.resolve(ended).then(() => order.tidy?.('cancelled'));
    this.next();
    return true;
  }

  /** Ends the worker thread; what it was doing is thrown away. */
  async close(): Promise<void> {
    const worker = this.worker;
    this.worker = null;
    await worker?.terminate();
  }

  private next(): void {
    if (this.current) return;
    const order = this.queue.shift();
    if (!order) return;
    this.current = order;
    this.update(order.id, { state: 'running', doing: 'Starting' });
    this.worker ??= this.startWorker();
    this.worker.postMessage({ id: order.id, kind: order.kind, input: order.input } satisfies JobOrder);
  }

  private startWorker(): Worker {
    const worker = new Worker(this.workerFile, { workerData: { blobsDir: this.blobsDir } });
    worker.unref();
    worker.on('message', (report: JobReport) => this.hear(report));
    worker.on('error', (error) => this.fail(worker, error.message));
    worker.on('exit', (code) => {
      if (code !== 0) this.fail(worker, `the worker ended with code ${code}`);
    });
    return worker;
  }

  private fail(worker: Worker, message: string): void {
    if (this.worker !== worker) return;
    this.worker = null;
    const order = this.current;
    this.current = null;
    if (order)
      this.finish(
        order,
        'failed',
        null,
        `Something went wrong in Currycomb itself, and nothing was changed (${message}).`,
      );
    this.next();
  }

  private hear(report: JobReport): void {
    const order = this.current;
    if (!order || order.id !== report.id) return;
    switch (report.type) {
      case 'progress':
        this.update(report.id, { done: report.done, total: report.total, doing: report.doing });
        return;
      case 'trouble':
        this.current = null;
        this.finish(order, 'failed', null, report.message);
        break;
      case 'done':
        this.current = null;
        try {
          const result = order.settle(report.output as never);
          this.finish(order, 'done', result === undefined ? null : JSON.stringify(result), null);
        } catch (error) {
          this.finish(order, 'failed', null, error instanceof Error ? error.message : 'unknown');
        }
        break;
    }
    this.next();
  }

  private finish(
    order: Order<JobKind>,
    state: JobState,
    result: string | null,
    trouble: string | null,
  ): void {
    this.update(order.id, { state, result, trouble, finishedAt: new Date().toISOString() });
    order.tidy?.(state);
  }

  private update(id: string, change: Partial<typeof jobs.$inferInsert>): void {
    this.db.update(jobs).set(change).where(eq(jobs.id, id)).run();
    this.events.emit(id);
  }
}
