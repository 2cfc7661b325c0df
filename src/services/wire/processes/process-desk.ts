import { WorkerProcess, type WorkerProgram } from './worker-process';

/** What a process of a desk is asked, and what it answers. */
export interface DeskOrder {
  readonly number: number;
  /** Which of its functions is asked. */
  readonly name: string;
  readonly ask: unknown;
}
export type DeskReport =
  | { readonly number: number; readonly is: 'answer'; readonly answer: unknown }
  | { readonly number: number; readonly is: 'error'; readonly error: Error };

export interface DeskLimits {
  /** So many processes work at most. */
  readonly mostProcesses: number;
  /** So many of them at most for one lane, so that no lane keeps all others waiting. */
  readonly mostPerLane: number;
  /** How long an order may take once it was begun, in milliseconds; then it is ended with its process. */
  readonly deadline: number;
  /** How long it may still take when nobody waits for it any more. */
  readonly unattended: number;
}

/** An order took too long, so it was ended. */
export class Overdue extends Error {
  override readonly name = 'Overdue';
}
/** Whoever asked does not wait any more. */
export class Unattended extends Error {
  override readonly name = 'Unattended';
}

interface WaitingOrder {
  readonly order: DeskOrder;
  readonly lane: string;
  readonly signal: AbortSignal | null;
  readonly resolve: (answer: unknown) => void;
  readonly reject: (error: Error) => void;
}

interface DeskProcess {
  readonly worker: WorkerProcess<DeskOrder, DeskReport>;
  busy: { readonly waiting: WaitingOrder; readonly stop: () => void } | null;
  /** The lane that it worked for last: what it read for it is still at hand. */
  lane: string;
  idle: NodeJS.Timeout | null;
}

/** An idle process is ended after so many milliseconds, and with it goes what it remembers. */
const longestIdle = 60_000;

/**
 * Processes that answer short questions: each answers one at a time, the others wait in their order. They are started
 * when somebody asks. A question that takes too long ends with its process, and the next one gets a new process.
 */
export class ProcessDesk {
  private readonly processes: DeskProcess[] = [];
  private readonly waiting: WaitingOrder[] = [];
  private orders = 0;

  constructor(
    private readonly program: WorkerProgram,
    private readonly limits: DeskLimits,
  ) {}

  get isStarted(): boolean {
    return this.processes.length > 0;
  }

  /** Throws Overdue, Unattended, WorkerLost, and whatever the process throws. */
  ask(name: string, ask: unknown, lane: string, signal: AbortSignal | null = null): Promise<unknown> {
    return new Promise((resolve, reject) => {
      this.orders += 1;
      const order = { number: this.orders, name, ask };
      const waiting: WaitingOrder = { order, lane, signal, resolve, reject };
      this.waiting.push(waiting);
      signal?.addEventListener('abort', () => this.leave(waiting), { once: true });
      this.startWaiting();
    });
  }

  async close(): Promise<void> {
    const open = this.processes.splice(0);
    for (const { idle, busy } of open) {
      if (idle) clearTimeout(idle);
      busy?.stop();
      busy?.waiting.reject(new Unattended('Currycomb is ending.'));
    }
    for (const { reject } of this.waiting.splice(0)) reject(new Unattended('Currycomb is ending.'));
    await Promise.all(open.map(({ worker }) => worker.end()));
  }

  /** Who asked is gone: what was not begun is not begun. */
  private leave(left: WaitingOrder): void {
    const at = this.waiting.indexOf(left);
    if (at < 0) return;
    this.waiting.splice(at, 1);
    left.reject(new Unattended('Nobody waits for it any more.'));
  }

  private startWaiting(): void {
    for (const next of [...this.waiting]) {
      if (this.busyFor(next.lane) >= this.limits.mostPerLane) continue;
      const chosen = this.freeFor(next.lane);
      if (!chosen) return;
      this.waiting.splice(this.waiting.indexOf(next), 1);
      this.start(chosen, next);
    }
  }

  private busyFor(lane: string): number {
    return this.processes.filter(({ busy }) => busy?.waiting.lane === lane).length;
  }

  /** A free process, best one that knows the lane; a new one where there is room; null where all are busy. */
  private freeFor(lane: string): DeskProcess | null {
    const free = this.processes.filter(({ busy }) => busy === null);
    const known = free.find((one) => one.lane === lane) ?? free[0];
    if (known) return known;
    return this.processes.length < this.limits.mostProcesses ? this.open() : null;
  }

  private start(chosen: DeskProcess, waiting: WaitingOrder): void {
    if (chosen.idle) clearTimeout(chosen.idle);
    chosen.idle = null;
    chosen.lane = waiting.lane;
    const { deadline, unattended } = this.limits;
    const overdue = () =>
      this.giveUp(chosen, new Overdue(`This took longer than ${deadline / 1000} seconds`));
    const timers = [setTimeout(overdue, deadline).unref()];
    const left = () => {
      const giveUp = () => this.giveUp(chosen, new Unattended('Nobody waited for it any more.'));
      timers.push(setTimeout(giveUp, unattended).unref());
    };
    waiting.signal?.addEventListener('abort', left, { once: true });
    const stop = () => {
      waiting.signal?.removeEventListener('abort', left);
      for (const timer of timers) clearTimeout(timer);
    };
    chosen.busy = { waiting, stop };
    if (waiting.signal?.aborted) left();
    chosen.worker.post(waiting.order);
  }

  private open(): DeskProcess {
    const worker = new WorkerProcess<DeskOrder, DeskReport>(this.program, {
      hear: (report) => this.hear(opened, report),
      lost: (error) => this.giveUp(opened, error),
    });
    const opened: DeskProcess = { worker, busy: null, lane: '', idle: null };
    this.processes.push(opened);
    return opened;
  }

  private hear(by: DeskProcess, report: DeskReport): void {
    const { busy } = by;
    if (busy?.waiting.order.number !== report.number) return;
    busy.stop();
    by.busy = null;
    by.idle = setTimeout(() => void this.retire(by), longestIdle).unref();
    if (report.is === 'answer') busy.waiting.resolve(report.answer);
    else busy.waiting.reject(report.error);
    this.startWaiting();
  }

  /** Ends a process, and the order that it was busy with. */
  private giveUp(lost: DeskProcess, error: Error): void {
    const { busy } = lost;
    busy?.stop();
    lost.busy = null;
    void this.retire(lost);
    busy?.waiting.reject(error);
    this.startWaiting();
  }

  private async retire(one: DeskProcess): Promise<void> {
    const at = this.processes.indexOf(one);
    if (at >= 0) this.processes.splice(at, 1);
    if (one.idle) clearTimeout(one.idle);
    await one.worker.end();
  }
}
