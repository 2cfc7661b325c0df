import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { JobReport } from '@/services/keep/jobs/job-record';
import { ProcessPool } from './process-pool';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-processes-'));
const worker = join(folder, 'worker.mjs');
// Says by which process a job was done, how many that process had before, and ends where it is told to.
writeFileSync(
  worker,
  `let before = 0;
   process.on('message', ({ id, input }) => {
     if (input === 'crash') process.exit(3);
     if (input === 'grow') { const list = []; for (;;) list.push(list); }
     process.send({ id, type: 'done', output: { processId: process.pid, before } });
     before += 1;
   });`,
);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

interface Done {
  readonly processId: number;
  readonly before: number;
}

class Jobs {
  private readonly waiting = new Map<string, (done: Done | Error) => void>();
  readonly pool: ProcessPool;
  private count = 0;

  constructor(size: number) {
    const end = (id: string, done: Done | Error) => this.waiting.get(id)?.(done);
    this.pool = new ProcessPool(worker, folder, size, {
      hear: (report: JobReport) => report.type === 'done' && end(report.id, report.output as Done),
      lost: (id, error) => end(id, error),
    });
  }

  begin(
    shellId: string | null,
    input = 'work',
  ): { readonly id: string; readonly done: Promise<Done | Error> } {
    this.count += 1;
    const id = `job ${this.count}`;
    const done = new Promise<Done | Error>((resolve) => this.waiting.set(id, resolve));
    this.pool.start({ type: 'job', id, kind: 'test', input }, shellId);
    return { id, done };
  }

  async whole(shellId: string | null, heapBytes = 0): Promise<Done> {
    const { id, done } = this.begin(shellId);
    const result = await done;
    if (result instanceof Error) throw result;
    this.pool.release(id, heapBytes);
    return result;
  }
}

test('a process is made ready once, and does the next job', async () => {
  const jobs = new Jobs(2);
  jobs.pool.makeReady();
  jobs.pool.makeReady();
  const [first, second] = [jobs.begin('a'), jobs.begin('b')];
  const [byFirst, bySecond] = (await Promise.all([first.done, second.done])) as [Done, Done];
  expect(bySecond.processId).not.toBe(byFirst.processId);
  expect([byFirst.before, bySecond.before]).toEqual([0, 0]);
  await jobs.pool.close();
});

test('an idle process is used before another is started, whatever shell it knew', async () => {
  const jobs = new Jobs(2);
  const first = await jobs.whole(null);
  const second = await jobs.whole('a');
  expect(second).toEqual({ processId: first.processId, before: 1 });
  const [busy, other] = [jobs.begin('a'), jobs.begin('b')];
  const [byBusy, byOther] = await Promise.all([busy.done, other.done]);
  expect(byBusy).toMatchObject({ processId: first.processId });
  expect(byOther).toMatchObject({ before: 0 });
  jobs.pool.release(busy.id);
  jobs.pool.release(other.id);
  // Both are idle now: the one that knows the shell is asked.
  expect(await jobs.whole('b')).toEqual({ ...(byOther as Done), before: 1 });
  await jobs.pool.close();
});

test('a process that holds much, or is one too many, is ended with its job', async () => {
  const jobs = new Jobs(1);
  const large = await jobs.whole('a', 500 * 1024 ** 2);
  const next = await jobs.whole('a');
  expect(next.processId).not.toBe(large.processId);
  const [one, two] = [jobs.begin('a'), jobs.begin('b')];
  const [byOne] = await Promise.all([one.done, two.done]);
  jobs.pool.release(two.id);
  jobs.pool.release(one.id);
  expect(byOne).toMatchObject({ processId: next.processId });
  expect(await jobs.whole('c')).toMatchObject({ processId: next.processId, before: 2 });
  await jobs.pool.close();
});

test('an idle process is ended after a minute', async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  try {
    const jobs = new Jobs(2);
    const first = await jobs.whole('a');
    jest.advanceTimersByTime(59_000);
    expect(await jobs.whole('a')).toMatchObject({ processId: first.processId });
    jest.advanceTimersByTime(61_000);
    expect((await jobs.whole('a')).processId).not.toBe(first.processId);
    await jobs.pool.close();
  } finally {
    jest.useRealTimers();
  }
});

test('a process that ends by itself says which job is lost, and the next job gets a new one', async () => {
  const jobs = new Jobs(1);
  const { done } = jobs.begin('a', 'crash');
  expect(await done).toMatchObject({ message: expect.stringContaining('code 3') as string });
  expect(await jobs.whole('a')).toMatchObject({ before: 0 });
  await jobs.pool.close();
});

test('a list that grows until the engine gives up ends its own process and no other', async () => {
  const jobs = new Jobs(1);
  const { done } = jobs.begin('a', 'grow');
  expect(await done).toMatchObject({ name: 'WorkerLost', wasKilled: true });
  expect(await jobs.whole('a')).toMatchObject({ before: 0 });
  await jobs.pool.close();
});
