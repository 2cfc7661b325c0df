import { fork, type ChildProcess } from 'node:child_process';

/** What the parent hears of a worker process. */
export interface WorkerListener<Report> {
  readonly hear: (report: Report) => void;
  /** It ended without being asked to. */
  readonly lost: (error: WorkerLost) => void;
}

export interface WorkerProgram {
  /** The bundle that the process runs. */
  readonly file: string;
  /** What it starts with; readable there through `startParent`. */
  readonly data: unknown;
  /** The heap it may use, in megabytes: past that it ends, and only it. */
  readonly mostHeap: number;
}

/** A worker process ended by itself. `wasKilled`: by a signal, which is how running out of memory ends one. */
export class WorkerLost extends Error {
  override readonly name = 'WorkerLost';

  constructor(
    message: string,
    readonly wasKilled: boolean,
  ) {
    super(message);
  }
}

/**
 * Garbage may grow to this share of the memory in use, in percent, before it is collected. The engine's own choice, up
 * to 300, holds half a gigabyte beside a shell of ten thousand items.
 */
const mostGarbage = 40;

/**
 * A process that works for this one. Work on what strangers wrote is done in processes, not in threads: some ways of
 * running out of memory (V8's "invalid size" errors) end a whole process, whatever limits its threads were given.
 */
export class WorkerProcess<Order extends object, Report> {
  private readonly child: ChildProcess;
  private readonly ended: Promise<void>;
  private isWanted = true;

  constructor({ file, data, mostHeap }: WorkerProgram, listener: WorkerListener<Report>) {
    this.child = fork(file, [JSON.stringify(data)], {
      env: { ...process.env },
      serialization: 'advanced',
      execArgv: [`--max-old-space-size=${mostHeap}`, `--heap-growing-percent=${mostGarbage}`],
      // The engine prints pages of its own state before it gives up; the job says what happened in one sentence.
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    this.child.unref();
    this.child.channel?.unref();
    this.child.on('message', (report) => listener.hear(report as Report));
    const lose = (error: WorkerLost) => {
      if (this.isWanted) listener.lost(error);
      this.isWanted = false;
    };
    this.ended = new Promise((resolve) => {
      this.child.once('error', (error) => {
        lose(new WorkerLost(`the process could not be started: ${error.message}`, false));
        resolve();
      });
      this.child.once('exit', (code, signal) => {
        const cause = signal === null ? `with code ${code}` : `by ${signal}`;
        lose(new WorkerLost(`the process ended ${cause}`, signal !== null));
        resolve();
      });
    });
  }

  post(order: Order): void {
    // An order that can't be delivered is reported as the end of the process.
    if (this.child.connected) this.child.send(order, () => undefined);
  }

  /** Ends it; what it was doing is thrown away. Resolves when it writes nothing any more. */
  async end(): Promise<void> {
    this.isWanted = false;
    this.child.kill('SIGKILL');
    await this.ended;
  }
}
