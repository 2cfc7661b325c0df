import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ProcessDesk, type DeskLimits } from './process-desk';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-desk-'));
const file = join(folder, 'worker.mjs');
// Answers with its number, keeps busy without a pause, or throws.
writeFileSync(
  file,
  `process.on('message', ({ number, name, ask }) => {
     if (name === 'hang') for (;;);
     if (name === 'exit') process.exit(3);
     if (name === 'throw') return process.send({ number, is: 'error', error: new TypeError('no such thing') });
     setTimeout(() => process.send({ number, is: 'answer', answer: { by: process.pid, ask } }), ask ?? 0);
   });`,
);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

interface Answer {
  readonly by: number;
}
const limits: DeskLimits = { mostProcesses: 2, mostPerLane: 1, deadline: 60_000, unattended: 100 };
const desks: ProcessDesk[] = [];
function desk(over: Partial<DeskLimits> = {}): ProcessDesk {
  const opened = new ProcessDesk({ file, data: null, mostHeap: 200 }, { ...limits, ...over });
  desks.push(opened);
  return opened;
}
afterEach(() => Promise.all(desks.splice(0).map((opened) => opened.close())));

test('questions of one lane are answered one after the other by one process, those of another beside it', async () => {
  const asked = desk();
  const [first, second, other] = (await Promise.all([
    asked.ask('work', 50, 'a'),
    asked.ask('work', 0, 'a'),
    asked.ask('work', 0, 'b'),
  ])) as Answer[];
  expect(second?.by).toBe(first?.by);
  expect(other?.by).not.toBe(first?.by);
});

test('a question that takes too long ends with its process; the next one is answered by a new one', async () => {
  const asked = desk({ mostProcesses: 1, deadline: 8_000 });
  const before = (await asked.ask('work', 0, 'a')) as Answer;
  const hanging = asked.ask('hang', null, 'a');
  const next = asked.ask('work', 0, 'b');
  await expect(hanging).rejects.toMatchObject({ name: 'Overdue' });
  expect((await next) as Answer).not.toMatchObject({ by: before.by });
});

test('a hanging question keeps no other lane waiting', async () => {
  const asked = desk();
  const ended = Promise.allSettled([asked.ask('hang', null, 'a'), asked.ask('work', 0, 'a')]);
  const other = await asked.ask('work', 0, 'b');
  expect(other).toMatchObject({ ask: 0 });
  await asked.close();
  const unattended = { status: 'rejected', reason: { name: 'Unattended' } };
  expect(await ended).toMatchObject([unattended, unattended]);
});

test('who leaves before it is begun is not answered; who leaves while it is under way ends it', async () => {
  const asked = desk({ mostProcesses: 1 });
  const [early, late] = [new AbortController(), new AbortController()];
  const hanging = asked.ask('hang', null, 'a', late.signal);
  const waiting = asked.ask('work', 0, 'a', early.signal);
  early.abort();
  await expect(waiting).rejects.toMatchObject({ name: 'Unattended' });
  late.abort();
  await expect(hanging).rejects.toMatchObject({ name: 'Unattended' });
  expect(await asked.ask('work', 0, 'a')).toMatchObject({ ask: 0 });
});

test('what the process throws, and its end, are told', async () => {
  const asked = desk();
  await expect(asked.ask('throw', null, 'a')).rejects.toMatchObject({
    name: 'TypeError',
    message: 'no such thing',
  });
  await expect(asked.ask('exit', null, 'a')).rejects.toMatchObject({ name: 'WorkerLost', wasKilled: false });
  expect(await asked.ask('work', 0, 'a')).toMatchObject({ ask: 0 });
});
