import { WorkerProcess, type WorkerLost } from '@/services/wire/processes/worker-process';
import type { JobMessage, JobReport, NoteAnswer } from '@/services/keep/jobs/job-record';

interface PooledProcess {
  readonly worker: WorkerProcess<JobMessage | NoteAnswer, JobReport>;
  job: string | null;
  /** The shell that it worked on last: what it worked out about it is still at hand. */
  shellId: string | null;
  /** Ends it when it was idle for too long. */
  idle: NodeJS.Timeout | null;
}

export interface PoolListener {
  readonly hear: (report: JobReport) => void;
  /** The process of a job ended by itself. */
  readonly lost: (jobId: string, error: WorkerLost) => void;
}

/** A process that has nothing to do holds at most so much memory, in bytes. */
const mostIdleHeap = 160 * 1024 ** 2;
/** An idle process is ended after so many milliseconds: what it remembers is on the disk as well. */
const longestIdle = 60_000;
/** The heap of a process, in megabytes: one that takes more ends, and its job says so; the server goes on. */
const mostHeap = 2_000;

/**
 * A few worker processes, started when they are needed; each does one job at a time. An idle one is always used before
 * another is started. `size` are kept; where all of them are busy one more is started, and ended when its job is.
 */
export class ProcessPool {
  private readonly processes: PooledProcess[] = [];

  constructor(
    private readonly workerFile: string,
    private readonly dataDir: string,
    private readonly size: number,
    private readonly listener: PoolListener,
  ) {}

  /** Gives a job to a free process, best to one that knows the shell. */
  start(message: JobMessage, shellId: string | null): void {
    const free = this.processes.filter(({ job }) => job === null);
    const chosen = free.find((one) => one.shellId === shellId) ?? free[0] ?? this.open();
    if (chosen.idle) clearTimeout(chosen.idle);
    chosen.idle = null;
    chosen.job = message.id;
    chosen.shellId = shellId;
    chosen.worker.post(message);
  }

  /** Starts a process where there is none that a job could be given to; it takes half a second to load its program. */
  makeReady(): void {
    const hasRoom = this.processes.length < this.size;
    if (hasRoom && this.processes.every(({ job }) => job !== null)) this.rest(this.open());
  }

  /** Answers a note of the process that does a job. */
  answer(jobId: string, message: NoteAnswer): void {
    this.processes.find(({ job }) => job === jobId)?.worker.post(message);
  }

  /**
   * The process that a job was given to has nothing to do any more. One that holds much memory is ended: what it had
   * worked out is kept on the disk, and a new process is there in a moment.
   */
  release(jobId: string, heapBytes = 0): void {
    const released = this.processes.find(({ job }) => job === jobId);
    if (!released) return;
    released.job = null;
    const isOneTooMany = this.processes.length > this.size;
    if (heapBytes > mostIdleHeap || isOneTooMany) void this.retire(released);
    else this.rest(released);
  }

  private rest(idle: PooledProcess): void {
    idle.idle = setTimeout(() => void this.retire(idle), longestIdle).unref();
  }

  /** Ends the process of a job; what it was doing is thrown away. Resolves when it writes nothing any more. */
  async end(jobId: string): Promise<void> {
    const busy = this.processes.find(({ job }) => job === jobId);
    if (busy) await this.retire(busy);
  }

  private async retire(one: PooledProcess): Promise<void> {
    const at = this.processes.indexOf(one);
    if (at >= 0) this.processes.splice(at, 1);
    await one.worker.end();
  }

  async close(): Promise<void> {
    const open = this.processes.splice(0);
    for (const { idle } of open) if (idle) clearTimeout(idle);
    await Promise.all(open.map(({ worker }) => worker.end()));
  }

  private open(): PooledProcess {
    const program = { file: this.workerFile, data: { dataDir: this.dataDir }, mostHeap };
    const worker = new WorkerProcess<JobMessage | NoteAnswer, JobReport>(program, {
      hear: (report) => this.listener.hear(report),
      lost: (error) => this.lose(opened, error),
    });
    const opened: PooledProcess = { worker, job: null, shellId: null, idle: null };
    this.processes.push(opened);
    return opened;
  }

  private lose(lost: PooledProcess, error: WorkerLost): void {
    const at = this.processes.indexOf(lost);
    if (at < 0) return;
    this.processes.splice(at, 1);
    if (lost.job !== null) this.listener.lost(lost.job, error);
  }
}
