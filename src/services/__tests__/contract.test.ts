import { eq } from 'drizzle-orm';
import { makeStep } from '@/core/plan/written-step';
import { planSteps, rehearsals, shells, versions } from '@/store/schema';
import { orderRun } from '@/services/do/carry-out/order-run';
import { orderUndo } from '@/services/do/carry-out/order-undo';
import { ledgerOf } from '@/services/keep/runs/ledger';
import { orderComb } from '@/services/do/comb/order-comb';
import { decide, staleLeaveBes } from '@/services/do/decide/decisions';
import { editPlan } from '@/services/do/decide/edit-plan';
import { planOf } from '@/services/keep/plan/plan';
import { keepRules } from '@/services/keep/rules/house-rules';
import { orderTryRules } from '@/services/do/rules/try-rules';
import { orderRehearsal, sealedRehearsal } from '@/services/do/rehearse/order-rehearsal';
import { findRun, findShell, runsOf } from '@/services/keep/shells/current-shell';
import { removeShell } from '@/services/do/shells/remove-shell';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';
import { listShells } from '@/services/show/shells/shell-list';
import { cluttered } from './cluttered';
import { DataFolder, must } from './data-folder';

// What the changing half promises, each promise tried where it was once broken.
let data: DataFolder;
beforeAll(() => {
  data = new DataFolder();
});
afterAll(() => data.close());

const fresh = async (code: string) => {
  const id = await data.bringIn(cluttered, code);
  await data.comb(id);
  return id;
};
const of = (id: string, check: string) =>
  data
    .findings(id)
    .filter((f) => f.check === check)
    .map((f) => f.id);
const accept = (id: string, findings: string[]) =>
  must(decide(data.context, data.now(id), { decision: 'accept', findings }));
const rehearsed = async (id: string) => data.job(orderRehearsal(data.context, data.now(id)));
const carriedOut = async (id: string) =>
  (await data.job(orderRun(data.context, data.now(id))))['runId'] ?? '';
const state = (id: string) => shellOf(data.context.blobs, blobHash.parse(data.now(id).version.stateBlob));
const titles = (id: string) => state(id).items.map((i) => i.title);
const files = (id: string) => state(id).files.map((f) => f.path);

test('an undo that waits behind a run does not put an old state over it', async () => {
  const id = await fresh('UND 1');
  accept(id, of(id, 'orphan.empty-module'));
  await rehearsed(id);
  const first = await carriedOut(id);
  accept(id, of(id, 'orphan.unused-file'));
  await rehearsed(id);
  // Both are ordered for the state as it is; the run comes first.
  const run = must(orderRun(data.context, data.now(id))).jobId;
  const undo = must(orderUndo(data.context, data.now(id), findRun(data.context, id, first)!)).jobId;
  expect((await data.ended(run)).state).toBe('done');
  expect(await data.ended(undo)).toMatchObject({
    state: 'failed',
    trouble: expect.stringMatching(/^The shell changed in the meantime, so nothing was written/),
  });
  await data.idle();
  expect([titles(id), files(id)]).toEqual([['Outlook'], []]);
  // Both runs can still be taken back, the last one first or both at once.
  await data.job(orderUndo(data.context, data.now(id), findRun(data.context, id, first)!, { what: 'since' }));
  expect([titles(id).length, files(id).length]).toEqual([3, 4]);
  expect(runsOf(data.context, id).map((r) => r.state)).toEqual(['undone', 'undone']);
});

test('what is carried out is what was rehearsed, whatever the house rules say by then', async () => {
  const id = await fresh('SEA 1');
  accept(id, of(id, 'orphan.empty-module'));
  await rehearsed(id);
  const { seal, steps } = sealedRehearsal(data.context, data.now(id))!;
  expect(steps.flatMap((s) => s.targets.map((t) => t.ref))).toEqual(['e1', 'e2']);
  must(keepRules(data.context, { checks: { 'orphan.empty-module': { on: false } } }));
  await data.comb(id);
  expect(sealedRehearsal(data.context, data.now(id))?.seal).toBe(seal);
  await carriedOut(id);
  expect(titles(id)).toEqual(['Outlook']);
  must(keepRules(data.context, {}));
});

test('steps that are not those of the seal are not carried out', async () => {
  const id = await fresh('SEA 2');
  accept(id, of(id, 'orphan.empty-module'));
  await rehearsed(id);
  const other = makeStep(state(id), { action: 'delete', targets: ['o'], params: {}, from: 'hand' });
  data.context.db
    .update(rehearsals)
    .set({ steps: JSON.stringify([must(other)]) })
    .where(eq(rehearsals.shellId, id))
    .run();
  const job = await data.ended(must(orderRun(data.context, data.now(id))).jobId);
  expect(job).toMatchObject({
    state: 'failed',
    trouble: expect.stringContaining('not those that were rehearsed'),
  });
  expect(titles(id)).toHaveLength(3);
});

test('what is accepted while a run goes on stays in the plan', async () => {
  const id = await fresh('ACC 1');
  accept(id, of(id, 'orphan.empty-module'));
  await rehearsed(id);
  const run = must(orderRun(data.context, data.now(id))).jobId;
  accept(id, of(id, 'orphan.unused-file').slice(0, 2));
  expect((await data.ended(run)).state).toBe('done');
  await data.idle();
  expect(planOf(data.context.db, id).flatMap((p) => p.step.targets.map((t) => t.ref))).toEqual([
    'left-0.txt',
    'left-1.txt',
  ]);
  expect(data.now(id).plan.size).toBe(2);
});

test('one step of a run is taken back alone; what later stands on it is told', async () => {
  const id = await fresh('STE 1');
  accept(id, [...of(id, 'orphan.unused-file').slice(0, 2), ...of(id, 'orphan.empty-module')]);
  await rehearsed(id);
  const runId = await carriedOut(id);
  const line = ledgerOf(data.context, runId).find((l) => l.titles[0] === 'left-1.txt')!;
  const run = findRun(data.context, id, runId)!;
  await data.job(orderUndo(data.context, data.now(id), run, { what: 'step', sequence: line.sequence }));
  expect(files(id)).toEqual(['left-1.txt', 'left-2.txt', 'left-3.txt']);
  expect(titles(id)).toEqual(['Outlook']);
  expect(ledgerOf(data.context, runId).filter((l) => l.direction === 'undo')).toHaveLength(1);
  expect(orderUndo(data.context, data.now(id), run, { what: 'step', sequence: line.sequence })).toMatchObject(
    { ok: false, trouble: { code: 'undone-already' } },
  );
  // The rest of the run goes back, too, though it is not the newest state any more.
  await data.job(orderUndo(data.context, data.now(id), findRun(data.context, id, runId)!, { what: 'run' }));
  expect([titles(id).length, files(id).length]).toEqual([3, 4]);
});

test('steps by hand stand in the plan beside decisions: added, replaced, reordered, taken out', async () => {
  const id = await fresh('PLA 1');
  const rename = (title: string) => ({
    action: 'rename' as const,
    targets: ['o'],
    params: { titles: { o: title } },
    from: 'hand',
  });
  accept(id, of(id, 'orphan.empty-module'));
  must(await editPlan(data.context, data.now(id), { edit: 'add', step: rename('Overview') }));
  const rows = () => planOf(data.context.db, id);
  const hand = rows().find((r) => r.how === 'hand')!;
  must(
    await editPlan(data.context, data.now(id), { edit: 'replace', id: hand.id, step: rename('What comes') }),
  );
  must(
    await editPlan(data.context, data.now(id), {
      edit: 'order',
      ids: rows()
        .map((r) => r.id)
        .reverse(),
    }),
  );
  expect(rows()[0]).toMatchObject({ id: hand.id, how: 'hand' });
  expect(
    await editPlan(data.context, data.now(id), {
      edit: 'add',
      step: { ...rename('x'), params: { titles: { o: 'x', e1: 'y' } } },
    }),
  ).toMatchObject({
    ok: false,
    trouble: { message: expect.stringContaining('“e1”, which is not among its targets') },
  });
  await rehearsed(id);
  await carriedOut(id);
  expect(titles(id)).toEqual(['What comes']);
});

test('a step that is stale says so in the rehearsal and is not carried out', async () => {
  const id = await fresh('STA 1');
  must(
    await editPlan(data.context, data.now(id), {
      edit: 'add',
      step: { action: 'rename', targets: ['o'], params: { titles: { o: 'A' } }, from: 'hand' },
    }),
  );
  const [row] = planOf(data.context.db, id);
  const stale = { ...row!.step, targets: [{ ref: 'o', expects: { title: 'Once' }, sets: { title: 'A' } }] };
  data.context.db
    .update(planSteps)
    .set({ step: JSON.stringify(stale) })
    .where(eq(planSteps.id, row!.id))
    .run();
  await rehearsed(id);
  const sealed = sealedRehearsal(data.context, data.now(id));
  expect(sealed?.steps).toEqual([]);
  expect(sealed?.view.results).toMatchObject([
    { outcome: 'blocked', reason: expect.stringContaining('not any more what it was') },
  ]);
  expect(orderRun(data.context, data.now(id))).toMatchObject({
    ok: false,
    trouble: { code: 'nothing-to-do' },
  });
});

test('jobs of different shells run side by side, those of one after another, and newer trials end older ones', async () => {
  const [one, two] = [await fresh('LAN 1'), await fresh('LAN 2')];
  const jobs = data.context.jobs;
  const [a, b] = [orderComb(data.context, data.now(one)), orderComb(data.context, data.now(two))];
  expect([jobs.view(a)?.state, jobs.view(b)?.state]).toEqual(['running', 'running']);
  await data.idle();
  const trial = (on: boolean) =>
    must(orderTryRules(data.context, data.now(one), { checks: { 'orphan.empty-module': { on } } })).jobId;
  const [older, newer] = [trial(false), trial(true)];
  expect((await data.ended(newer)).state).toBe('done');
  expect((await data.ended(older)).state).toBe('cancelled');
  await data.idle();
});

test('a Leave be that nothing matches any more is listed', async () => {
  const id = await fresh('LEA 1');
  const [module] = of(id, 'orphan.empty-module');
  must(decide(data.context, data.now(id), { decision: 'leave-be', findings: [module!] }));
  expect(staleLeaveBes(data.context, data.now(id))).toEqual([]);
  must(keepRules(data.context, { checks: { 'orphan.empty-module': { on: false } } }));
  await data.comb(id);
  expect(staleLeaveBes(data.context, data.now(id))).toMatchObject([{ check: 'orphan.empty-module' }]);
  must(keepRules(data.context, {}));
  // Another term of the course still has it.
  const other = await fresh('LEA 1');
  expect(of(other, 'orphan.empty-module').length).toBeGreaterThan(0);
  expect(staleLeaveBes(data.context, data.now(id))).toEqual([]);
});

test('a shell is removed with everything that only it uses, and only where its code was typed', async () => {
  const before = { shells: listShells(data.context).length };
  await data.idle();
  const blobs = data.context.blobs.list();
  const id = await data.bringIn(
    (c) => c.page('Alone', '<p>Only here, and nowhere else in any shell.</p>'),
    'REM 1',
  );
  expect(data.context.blobs.list().length).toBeGreaterThan(blobs.length);
  expect(removeShell(data.context, data.now(id), 'REM')).toMatchObject({
    ok: false,
    trouble: { message: 'Type “REM 1” to remove this shell; nothing was changed.' },
  });
  must(removeShell(data.context, data.now(id), ' rem 1 '));
  await data.idle();
  expect(findShell(data.context, id)).toBeNull();
  expect(listShells(data.context).length).toBe(before.shells);
  expect(data.context.db.select().from(versions).where(eq(versions.shellId, id)).all()).toEqual([]);
  expect(data.context.db.select().from(shells).where(eq(shells.id, id)).all()).toEqual([]);
  expect(data.context.blobs.list()).toEqual(blobs);
});
