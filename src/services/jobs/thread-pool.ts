import { Worker } from 'node:worker_threads';
import type { JobMessage, JobReport, NoteAnswer } from './job-record';

interface Thread {
  readonly worker: Worker;
  job: string | null;
  /** The shell that it worked on last: what it worked out about it is still at hand. */
  shellId: string | null;
  /** Ends it when it was idle for too long. */
  idle: NodeJS.Timeout | null;
}

export interface PoolListener {
  readonly hear: (report: JobReport) => void;
  /** The thread of a job ended by itself. */
  readonly lost: (jobId: string, error: Error) => void;
}

/** A thread that has nothing to do holds at most so much memory, in bytes. */
const mostIdleHeap = 160 * 1024 ** 2;
/** An idle thread is ended after so many milliseconds: what it remembers is on the disk as well. */
const longestIdle = 60_000;
/** What a thread may hold, in megabytes: one that takes more ends, and its job says so; the server goes on. */
const mostHeap = 2_000;

/**
 * A few worker threads, started when they are needed; each does one job at a time. An idle one is always used before
 * another is started. `size` are kept; where all of them are busy one more is started, and ended when its job is.
 */
export class ThreadPool {
  private readonly threads: Thread[] = [];

  constructor(
    private readonly workerFile: string,
    private readonly dataDir: string,
    private readonly size: number,
    private readonly listener: PoolListener,
  ) {}

  /** Gives a job to a free thread, best to one that knows the shell. */
  start(message: JobMessage, shellId: string | null): void {
    const free = this.threads.filter((thread) => thread.job === null);
    const thread = free.find((t) => t.shellId === shellId) ?? free[0] ?? this.open();
    if (thread.idle) clearTimeout(thread.idle);
    thread.idle = null;
    thread.job = message.id;
    thread.shellId = shellId;
    thread.worker.postMessage(message);
  }

  /** Starts a thread where there is none that a job could be given to; it takes half a second to load its program. */
  makeReady(): void {
    const hasRoom = this.threads.length < this.size;
    if (hasRoom && this.threads.every((thread) => thread.job !== null)) this.rest(this.open());
  }

  /** Answers a note of the thread that does a job. */
  answer(jobId: string, message: NoteAnswer): void {
    this.threads.find((t) => t.job === jobId)?.worker.postMessage(message);
  }

  /**
   * The thread that a job was given to has nothing to do any more. One that holds much memory is ended: what it had
   * worked out is kept on the disk, and a new thread is there in a moment.
   */
  release(jobId: string, heapBytes = 0): void {
    const thread = this.threads.find((t) => t.job === jobId);
    if (!thread) return;
    thread.job = null;
    const isOneTooMany = this.threads.length > this.size;
    if (heapBytes > mostIdleHeap || isOneTooMany) void this.retire(thread);
    else this.rest(thread);
  }

  private rest(thread: Thread): void {
    thread.idle = setTimeout(() => void this.retire(thread), longestIdle).unref();
  }

  /** Ends the thread of a job; what it was doing is thrown away. Resolves when it writes nothing any more. */
  async end(jobId: string): Promise<void> {
    const at = this.threads.findIndex((t) => t.job === jobId);
    if (at < 0) return;
    const [thread] = this.threads.splice(at, 1);
    await thread?.worker.terminate();
  }

  private async retire(thread: Thread): Promise<void> {
    const at = this.threads.indexOf(thread);
    if (at >= 0) this.threads.splice(at, 1);
    await thread.worker.terminate();
  }

  async close(): Promise<void> {
    const threads = this.threads.splice(0);
    for (const { idle } of threads) if (idle) clearTimeout(idle);
    await Promise.all(threads.map((thread) => thread.worker.terminate()));
  }

  private open(): Thread {
    const worker = new Worker(this.workerFile, {
      workerData: { dataDir: this.dataDir },
      env: { ...process.env },
      resourceLimits: { maxOldGenerationSizeMb: mostHeap },
    });
    const thread: Thread = { worker, job: null, shellId: null, idle: null };
    worker.unref();
    worker.on('message', (report: JobReport) => this.listener.hear(report));
    worker.on('error', (error: Error) => this.lose(thread, error));
    worker.on('exit', (code) => {
      if (code !== 0) this.lose(thread, new Error(`the thread ended with code ${code}`));
    });
    this.threads.push(thread);
    return thread;
  }

  private lose(thread: Thread, error: Error): void {
    const at = this.threads.indexOf(thread);
    if (at < 0) return;
    this.threads.splice(at, 1);
    if (thread.job !== null) this.listener.lost(thread.job, error);
  }
}
