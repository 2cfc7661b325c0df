import { EventEmitter } from 'node:events';
import type { Db, Transaction } from '@/store/database';
import type { jobs } from '@/store/schema';
import { faultOf, type Fault } from '@/services/keep/log/fault';
import { log } from '@/services/keep/log/log';
import { noteTrouble } from '@/services/keep/log/troubles';
import type { WorkerLost } from '@/services/wire/processes/worker-process';
import { namesStrangeFile } from '@/services/keep/storage/strange-files';
import { fullDisk, storageFault } from '@/services/keep/storage/storage-fault';
import { goesOn, leftBehind, type JobReport } from '@/services/keep/jobs/job-record';
import { isOver, type JobQueue, type JobView } from '@/services/keep/jobs/job-queue';
import { insertJob, JobRows, type JobRow } from '@/services/keep/jobs/job-rows';
import { inputOf, JobSettling } from './job-settling';
import { Lanes } from './lanes';
import type { JobInput, JobKind } from '@/services/keep/jobs/job-inputs';
import { jobOf, jobRecords, type AnyJob } from '@/services/wire/jobs/registry';
import { SilenceWatch } from './silence-watch';
import { ProcessPool } from './process-pool';
import { sayLost, saySilence } from './unexpected-end';

/**
 * So often a job is started that the server’s end cut off; then it is given up. One that continues where it was cut off,
 * such as a run on a host, must not be given up half done because the server was restarted a few times.
 */
const mostTries = { anew: 3, goingOn: 20 } as const;
/** How long to wait before storage that could not be used is tried again, in milliseconds. */
const storagePause = 2_000;

/**
 * Jobs as rows, done by worker processes. One lane per shell: its jobs run one after another; those of different shells
 * side by side. What a restart cut off starts anew from its row; a job that ended its own process does not.
 */
export class ProcessQueue implements JobQueue {
  private readonly pool: ProcessPool;
  private readonly rows: JobRows;
  private readonly settling: JobSettling;
  private readonly dataDir: string;
  private retry: NodeJS.Timeout | null = null;
  private readonly silence = new SilenceWatch((id) => this.endSilent(id));
  private readonly lanes: Lanes;
  /** Jobs whose processes are being ended: until that is done, and what follows it. */
  private readonly ending = new Map<string, Promise<void>>();
  private readonly events = new EventEmitter();
  /** Why nothing can be started at present; null where it can. */
  private heldUpBy: string | null = null;
  private isClosed = false;

  constructor(
    private readonly db: Db,
    paths: { readonly workerFile: string; readonly dataDir: string },
    processes = 2,
  ) {
    this.lanes = new Lanes(processes);
    this.events.setMaxListeners(0);
    this.rows = new JobRows(db);
    this.dataDir = paths.dataDir;
    this.settling = new JobSettling(db, this.rows, paths.dataDir);
    this.pool = new ProcessPool(paths.workerFile, paths.dataDir, processes, {
      hear: (report) => this.hear(report),
      lost: (id, error) => this.crash(id, error),
    });
    this.takeUpAgain();
    // What was waiting goes on as soon as whoever opened this has listened to it.
    this.rows.pruneDaily();
    setImmediate(() => this.next());
  }

  get idle(): boolean {
    return this.lanes.isEmpty && this.ending.size === 0 && this.rows.waiting().length === 0;
  }

  order<Kind extends JobKind>(
    kind: Kind,
    shellId: string | null,
    input: JobInput<Kind>,
    write?: (tx: Transaction) => void,
  ): string {
    const record: Pick<AnyJob, 'supersedes'> = jobRecords[kind];
    // It is held against its schema by the process that does the job: a plan of thousands of steps would take long here.
    const text = JSON.stringify(input);
    const [same] = this.rows.activeOf(shellId, kind, text);
    if (same) return same.id;
    if (record.supersedes) for (const job of this.rows.activeOf(shellId, kind)) this.cancel(job.id);
    const id = this.db.transaction((tx) => {
      write?.(tx);
      return insertJob(tx, kind, shellId, text);
    });
    this.next();
    return id;
  }

  makeReady(): void {
    this.pool.makeReady();
  }

  view(id: string): JobView | null {
    const view = this.rows.view(id);
    return view && this.withReason(view);
  }

  views(ids: readonly string[]): readonly JobView[] {
    return this.rows.views(ids).map((view) => this.withReason(view));
  }

  underWay(shellId: string, kind?: string): JobView | null {
    return this.allUnderWay(shellId, kind)[0] ?? null;
  }

  allUnderWay(shellId: string, kind?: string): readonly JobView[] {
    return this.rows.activeOf(shellId, kind).map((view) => this.withReason(view));
  }

  /** A job that waits because nothing can be started says why. */
  private withReason(view: JobView): JobView {
    if (view.state !== 'waiting' || this.heldUpBy === null) return view;
    return { ...view, doing: `Waiting. ${this.heldUpBy}` };
  }

  watch(id: string, listener: (view: JobView) => void): () => void {
    const send = () => {
      const view = this.view(id);
      if (view) listener(view);
    };
    this.events.on(id, send);
    return () => this.events.off(id, send);
  }

  ended(id: string): Promise<JobView | null> {
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

  cancel(id: string): boolean {
    const job = this.rows.find(id);
    if (!job || isOver(job)) return false;
    const record = jobOf(job.kind);
    if (record?.cancelled) {
      // It can’t be cut off: it reads that it is wanted no more, and ends by itself.
      const { cancelled } = record;
      this.db.transaction((tx) => cancelled(inputOf(job), tx));
      return true;
    }
    const trouble = 'Cancelled; nothing was changed.';
    const end = { state: 'cancelled', trouble, result: null, finishedAt: new Date().toISOString() } as const;
    this.halt(
      job,
      () => this.rows.end(job, end, (tx) => record?.abandon?.(inputOf(job), tx, trouble)),
      () => this.over(job, record, 'cancelled'),
    );
    return true;
  }

  pause(id: string): boolean {
    const job = this.rows.find(id);
    if (!job || isOver(job) || job.state === 'paused') return false;
    const held = { state: 'paused', doing: 'Paused', result: null, trouble: null, finishedAt: null } as const;
    const soFar = this.rows.lastProgress(id);
    this.halt(
      job,
      () => this.rows.change(id, { ...soFar, ...held, tries: 0 }),
      () => this.next(),
    );
    return true;
  }

  resume(id: string): boolean {
    const isResumed = this.rows.resume(id);
    this.events.emit(id);
    this.next();
    return isResumed;
  }

  async close(): Promise<void> {
    this.isClosed = true;
    this.silence.close();
    await this.pool.close();
    // What they were followed by still needs the database.
    await Promise.all(this.ending.values());
  }

  /** What the end of the server cut off starts anew; what it cut off again and again is given up. */
  private takeUpAgain(): void {
    const cut = this.rows.running();
    // What they had kept and do not keep again is swept when all is done.
    if (cut.some((job) => jobOf(job.kind)?.leavesBlobs)) this.sweep();
    for (const job of cut) {
      const record = jobOf(job.kind);
      const most = record && goesOn(record) ? mostTries.goingOn : mostTries.anew;
      if (record && job.tries < most) this.change(job.id, { state: 'waiting', doing: 'Waiting' });
      else
        this.fail(
          job,
          `Currycomb ended ${job.tries} times while this was running, so it was given up. ${record ? leftBehind(record) : 'Nothing was changed.'}`,
        );
    }
  }

  /** Starts what may start: in order, one for each lane, nothing beside an exclusive job. */
  private next(): void {
    if (this.isClosed) return;
    try {
      this.rows.catchUp();
    } catch (error) {
      // Whatever it is: jobs wait, and the end is tried again.
      return this.holdUp(storageFault(error, this.dataDir)?.message ?? unwrittenEnd, error);
    }
    try {
      this.startWaiting();
      this.heldUpBy = null;
    } catch (error) {
      const fault = storageFault(error, this.dataDir);
      if (!fault) throw error;
      this.holdUp(fault.message, error);
    }
  }

  /** Remembers why nothing can be started, and tries again later; the reason is written down once, not at each try. */
  private holdUp(sentence: string, error: unknown): void {
    this.nextLater();
    if (this.heldUpBy === sentence) return;
    this.heldUpBy = sentence;
    noteTrouble({ during: 'the queue of jobs', id: '', sentence, fault: faultOf(error) });
    for (const job of this.rows.waiting()) this.events.emit(job.id);
  }

  private nextLater(): void {
    if (this.retry || this.isClosed) return;
    this.retry = setTimeout(() => {
      this.retry = null;
      this.next();
    }, storagePause).unref();
  }

  private startWaiting(): void {
    for (const job of this.rows.waiting()) {
      const record = jobOf(job.kind);
      if (!record) {
        this.fail(job, `There is no job “${job.kind}” in this version of Currycomb; nothing was changed.`);
        continue;
      }
      // An exclusive job waits until all else is done, and all that comes behind it waits for it, unless what it waits
      // for may take hours.
      if (record.exclusive && (this.lanes.count(false) > 0 || this.ending.size > 0)) {
        if (this.lanes.hasLong) continue;
        return;
      }
      if (!this.lanes.mayEnter(job, record)) continue;
      this.start(job);
      if (record.exclusive) return;
    }
  }

  private start(job: JobRow): void {
    if (namesStrangeFile(job.kind, job.input, this.dataDir)) return this.refuse(job, strangeFile);
    const started = { state: 'running', doing: 'Starting', tries: job.tries + 1 } as const;
    this.change(job.id, started);
    this.lanes.enter({ ...job, ...started });
    this.silence.hear(job.id);
    log.info({ id: job.id, kind: job.kind, shell: job.shellId }, 'job begins');
    this.pool.start({ type: 'job', id: job.id, kind: job.kind, input: job.input }, job.shellId);
  }

  /** A job that is not begun at all: nothing of it is done, and none of the files that it names is touched. */
  private refuse(job: JobRow, trouble: string): void {
    this.rows.end(job, { state: 'failed', trouble, finishedAt: new Date().toISOString() }, () => undefined);
    this.events.emit(job.id);
  }

  private hear(report: JobReport): void {
    const job = this.lanes.find(report.id);
    if (!job) return;
    this.silence.hear(report.id);
    switch (report.type) {
      case 'progress':
        this.progress(report);
        return;
      case 'note':
        this.pool.answer(job.id, this.settling.note(job, report.number, report.entry));
        return;
      case 'trouble':
        this.pool.release(report.id, report.heapBytes);
        this.fail(job, report.message, report.fault ?? null);
        return;
      case 'done':
        this.pool.release(report.id, report.heapBytes);
        this.settle(job, report.output);
        return;
    }
  }

  private settle(job: JobRow, output: unknown): void {
    const record = jobOf(job.kind);
    if (!record) return;
    const left = this.settling.settle(job, record, output);
    if (left === null) this.over(job, record, 'done');
    else this.fail(job, left.trouble, left.fault);
  }

  private progress({ id, done, total, doing }: Extract<JobReport, { type: 'progress' }>): void {
    this.rows.tellProgress(id, { done, total, doing });
    this.events.emit(id);
  }

  /** The process of a job ended by itself. */
  private crash(id: string, error: WorkerLost): void {
    const job = this.lanes.find(id);
    if (!job) return;
    const storage = storageFault(error, this.dataDir) ?? fullDisk(this.dataDir);
    this.fail(job, storage?.message ?? sayLost(job, error), faultOf(error));
  }

  private endSilent(id: string): void {
    const job = this.lanes.find(id);
    if (!job) return this.silence.forget(id);
    const fault = faultOf(new Error('silence'));
    this.endProcess(id, () => this.fail(job, saySilence(job), fault));
  }

  /** Ends a job that did not come to anything. What is not trouble of what it was given is written down. */
  private fail(job: JobRow, trouble: string, fault: Fault | null = null): void {
    const record = jobOf(job.kind);
    if (fault) noteTrouble({ during: `the job ${job.kind}`, id: job.id, sentence: null, fault });
    this.settling.abandon(job, trouble);
    this.over(job, record, 'failed');
  }

  /** Takes a job out of its lane, writes down that it does not go on, and goes on when nobody works at it any more. */
  private halt(job: JobRow, write: () => void, goOn: () => void): void {
    const isRunning = this.lanes.has(job.id);
    this.lanes.leave(job.id);
    write();
    this.rows.forgetProgress(job.id);
    this.events.emit(job.id);
    // Only when the process has really ended does it write nothing any more.
    if (isRunning) this.endProcess(job.id, goOn);
    else goOn();
  }

  private endProcess(id: string, goOn: () => void): void {
    const ended = this.pool.end(id).then(() => {
      this.ending.delete(id);
      goOn();
    });
    this.ending.set(id, ended);
  }

  /** A job is over: its files go, what it left in the store is swept, and the next one starts. */
  private over(job: JobRow, record: AnyJob | null, state: 'done' | 'failed' | 'cancelled'): void {
    this.lanes.leave(job.id);
    this.silence.forget(job.id);
    this.rows.forgetProgress(job.id);
    if (record) this.settling.clearFilesOf(job, record);
    log.info({ id: job.id, kind: job.kind, state }, 'job ends');
    if (state !== 'done' && record?.leavesBlobs) this.sweepIfPossible();
    this.events.emit(job.id);
    this.rows.pruneDaily();
    this.next();
  }

  private sweep(): void {
    const isOrdered = this.rows.waiting().some((job) => job.kind === 'sweep');
    if (!isOrdered) this.db.transaction((tx) => insertJob(tx, 'sweep', null, '{}'));
  }

  private sweepIfPossible(): void {
    try {
      this.sweep();
    } catch (error) {
      // It is ordered again at the next start.
      if (!storageFault(error, this.dataDir)) throw error;
    }
  }

  private change(id: string, change: Partial<typeof jobs.$inferInsert>): void {
    this.rows.change(id, change);
    this.events.emit(id);
  }
}

const unwrittenEnd = 'The end of another job could not be written down yet. It is tried again.';
const strangeFile =
  'This job names a file that Currycomb did not receive, so it was not begun. Order it again.';
