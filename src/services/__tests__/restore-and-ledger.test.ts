import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ledgerCsv, ledgerJson, ledgerSchema } from '@/formats/report/ledger-files';
import { fitting, ledgerQuery, ledgerView, wholeLedger } from '@/services/show/carry-out/ledger-view';
import { orderRun } from '@/services/do/carry-out/order-run';
import { orderUndo } from '@/services/do/carry-out/order-undo';
import { editRestorePoint, restorePoints, stateOfPoint } from '@/services/do/carry-out/restore-points';
import { takeWayOut } from '@/services/do/decide/take-way-out';
import { planOf } from '@/services/keep/plan/plan';
import { orderRehearsal, sealedRehearsal } from '@/services/do/rehearse/order-rehearsal';
import { runsOf } from '@/services/keep/shells/current-shell';
import { DataFolder, must } from './data-folder';

let data: DataFolder;
let id: string;
beforeAll(async () => {
  data = new DataFolder();
  id = await data.bringIn((c) => {
    c.module('Week 1', { ref: 'w1' });
    for (let n = 0; n < 6; n += 1)
      c.page(`Page ${n}`, `<p>Text ${n} about the stream.</p>`, { ref: `p${n}`, parent: 'w1' });
    c.file('large.bin', Buffer.alloc(400_000, 7));
  });
  await data.comb(id);
});
afterAll(() => data.close());

const plan = (action: string, targets: string[], params: Record<string, unknown> = {}) =>
  data.plan(id, { action, targets, params });
async function carryOut() {
  await data.job(orderRehearsal(data.context, data.now(id)));
  await data.job(orderRun(data.context, data.now(id)));
}
const entries = (query: Record<string, unknown> = {}) =>
  fitting(wholeLedger(data.context, id), ledgerQuery.parse(query));

test('the ledger over all runs is searched, narrowed, and tells a thing’s own history', async () => {
  await plan('hide', ['p1', 'p2']);
  await carryOut();
  await plan('rename', ['p1'], { titles: { p1: 'First page' } });
  await plan('delete', ['large.bin']);
  await carryOut();
  expect(entries().map(({ run, action }) => [run, action])).toEqual([
    [2, 'rename'],
    [2, 'delete'],
    [1, 'hide'],
  ]);
  expect(entries({ find: 'LARGE' }).map(({ action }) => action)).toEqual(['delete']);
  expect(entries({ action: 'hide', outcome: 'done' })).toHaveLength(1);
  expect(entries({ run: 2 })).toHaveLength(2);
  expect(entries({ ref: 'p1' }).map(({ run, label }) => `${label} by run ${run}`)).toEqual([
    'Rename by run 2',
    'Hide by run 1',
  ]);
  const csv = ledgerCsv(entries()).split('\r\n');
  expect(csv[0]).toBe('run,at,what,action,outcome,titles,refs,reason');
  expect(csv).toHaveLength(5);
  const json = JSON.parse(ledgerJson('HYD 1', entries())) as unknown;
  expect(ledgerSchema.parse(json)).toMatchObject({ entries: [{ run: 2 }, { run: 2 }, { run: 1 }] });
  expect(readFileSync(join(process.cwd(), 'docs/schemas/ledger.schema.json'), 'utf8')).toContain(
    'currycomb.ledger/1',
  );
});

test('the page of the ledger says how many of all its entries fit', () => {
  const view = (search: string) => ledgerView(data.context, data.now(id), new URLSearchParams(search));
  const { all } = view('');
  expect(view('')).toMatchObject({ total: all, query: { find: '', run: 0 } });
  expect(view('find=nothing of the kind')).toMatchObject({ total: 0, all, entries: [] });
  // A query that can’t be read asks for everything.
  expect(view('run=many')).toEqual(view(''));
});

test('restore points are weighed with what they share, named, and thrown away by the user alone', async () => {
  const points = restorePoints(data.context, data.now(id));
  expect(points.map(({ isCurrent, run }) => [isCurrent, run?.number ?? null])).toEqual([
    [true, null],
    [false, 2],
    [false, 1],
  ]);
  const [current, , first] = points;
  expect(first?.bytes?.all).toBeGreaterThan(400_000);
  // The large file is in none but those before it was deleted.
  expect((first?.bytes?.all ?? 0) - (first?.bytes?.shared ?? 0)).toBeGreaterThan(400_000);
  expect(current?.bytes?.all).toBe(current?.bytes?.shared);
  must(
    editRestorePoint(data.context, data.now(id), { edit: 'name', id: first?.id ?? '', label: 'Before all' }),
  );
  expect(restorePoints(data.context, data.now(id))[2]?.label).toBe('Before all');
  expect(
    editRestorePoint(data.context, data.now(id), { edit: 'throw-away', id: current?.id ?? '' }),
  ).toMatchObject({ trouble: { code: 'is-current' } });
  const before = data.context.blobs.list().length;
  must(editRestorePoint(data.context, data.now(id), { edit: 'throw-away', id: first?.id ?? '' }));
  await data.idle();
  expect(data.context.blobs.list().length).toBeLessThan(before);
  expect(stateOfPoint(data.context, data.now(id), first?.id ?? '')).toBeNull();
  expect(restorePoints(data.context, data.now(id))[2]?.bytes).toBeNull();
  const [, oldest] = runsOf(data.context, id);
  if (!oldest) throw new Error('there is no first run');
  expect(orderUndo(data.context, data.now(id), oldest)).toMatchObject({
    trouble: { code: 'no-restore-point' },
  });
});

test('a way out takes the blocked target’s place; student work goes only where the title is typed', async () => {
  await plan('hide', ['p3']);
  // What a guard holds back by hand is not even taken into the plan: it is put there as a finding would.
  const steps = [{ action: 'hide' as const, targets: ['p4'], params: {}, from: 'hand' }];
  const ref = 'p3';
  must(await takeWayOut(data.context, data.now(id), { action: 'hide', ref, steps }));
  expect(
    planOf(data.context.db, id).map(({ step }) => [step.action, step.targets.map((t) => t.ref)]),
  ).toEqual([['hide', ['p4']]]);
  const loses = [
    { action: 'delete' as const, targets: ['p4'], params: { withStudentWork: 1 }, from: 'hand' },
  ];
  const form = { action: 'hide', ref: 'p4', steps: loses };
  expect(await takeWayOut(data.context, data.now(id), { ...form, typed: 'page 4' })).toMatchObject({
    trouble: { code: 'not-typed' },
  });
  await data.job(orderRehearsal(data.context, data.now(id)));
  expect(sealedRehearsal(data.context, data.now(id))?.view).toMatchObject({
    blocked: [],
    comebacks: { returns: { count: 0 } },
    outline: [{ is: 'same' }, { title: 'Page 4', is: 'changed' }],
  });
});
