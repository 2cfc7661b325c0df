import { eq } from 'drizzle-orm';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { versions } from '@/store/schema';
import { changePlan } from '@/services/do/decide/change-plan';
import { draftNewStep } from '@/services/do/drafts/draft-step';
import { editPlan } from '@/services/do/decide/edit-plan';
import { planOf } from '@/services/keep/plan/plan';
import { takePlanIn } from '@/services/do/decide/plan-file';
import { plannedShell } from '@/services/keep/plan/planned-shell';
import { takeWayOut } from '@/services/do/decide/take-way-out';
import type { DraftOrder } from '@/services/keep/desks/stage-order';
import { DataFolder, must } from './data-folder';

let data: DataFolder;
let id = '';
const shell = (composer: ShellComposer) => {
  composer.module('Week 1', { ref: 'w1' });
  for (const n of [1, 2, 3])
    composer.page(`Page ${n}`, `<p>Text ${n}</p>`, { ref: `p${n}`, parent: 'w1', path: `p${n}.html` });
};
beforeAll(() => {
  data = new DataFolder();
});
beforeEach(async () => {
  id = await data.bringIn(shell);
});
afterAll(() => data.close());

const hide = (...targets: string[]) => ({ action: 'hide' as const, targets, params: {}, from: 'hand' });
const planned = () => planOf(data.context.db, id).map(({ step }) => step.targets.map(({ ref }) => ref));

/** Lets something happen after each draft was worked out and before it is written; says how often that was. */
function meanwhile(happens: (time: number) => void): { times(): number; end(): void } {
  const desk = data.context.stages;
  const draft = desk.draft.bind(desk);
  let times = 0;
  const spy = jest.spyOn(desk, 'draft').mockImplementation(async (order: DraftOrder) => {
    const answer = await draft(order);
    times += 1;
    happens(times);
    return answer;
  });
  return { times: () => times, end: () => spy.mockRestore() };
}

test('a draft writes nothing, and stands on the plan as it was', () => {
  const current = data.now(id);
  const { draft } = must(draftNewStep(data.context, current, hide('p1', 'w1')));
  expect(draft).toMatchObject({ versionId: current.version.id, planKey: '', changed: [] });
  expect(draft.tried[0]?.trial).toMatchObject({ done: 2, nothing: 0, held: [] });
  expect(planned()).toEqual([]);
});

test('a plan that another window changed meanwhile is kept, and the change is worked out anew on it', async () => {
  const { db } = data.context;
  const other = meanwhile((time) => {
    if (time > 1) return;
    const { draft } = must(draftNewStep(data.context, data.now(id), hide('p2')));
    const step = JSON.stringify(draft.tried[0]?.step);
    db.$client
      .prepare(
        "INSERT INTO plan_steps (id, shell_id, place, how, action, step, added_at) VALUES ('other', ?, 1, 'hand', 'hide', ?, '')",
      )
      .run(id, step);
    db.$client.prepare("UPDATE shells SET plan_key = 'other' WHERE id = ?").run(id);
  });
  const { added } = must(await changePlan(data.context, id, 'new-step', hide('p1', 'p2')));
  other.end();
  expect(other.times()).toBe(2);
  // On the plan as it is by now one of the two is hidden already.
  expect(added[0]).toMatchObject({ done: 1, nothing: 1, planSize: 2 });
  expect(planned()).toEqual([['p2'], ['p1']]);
});

test('a plan that never rests is told of, and nothing is written', async () => {
  const other = meanwhile((time) => {
    data.context.db.$client.prepare('UPDATE shells SET plan_key = ? WHERE id = ?').run(`other ${time}`, id);
  });
  expect(await editPlan(data.context, data.now(id), { edit: 'add', step: hide('p1') })).toMatchObject({
    trouble: { code: 'plan-changed' },
  });
  other.end();
  expect(other.times()).toBe(5);
  expect(planned()).toEqual([]);
});

test('a shell that was removed meanwhile is told of in one sentence', async () => {
  const trouble = await changePlan(data.context, 'nobody', 'new-step', hide('p1'));
  expect(trouble).toMatchObject({
    trouble: { message: 'This shell is not here any more; go back to the list of shells.' },
  });
});

test('a state that can’t be read is told as it would be here', async () => {
  const { db } = data.context;
  const { version } = data.now(id);
  const where = eq(versions.id, version.id);
  db.update(versions)
    .set({ stateBlob: 'f'.repeat(64) })
    .where(where)
    .run();
  await expect(changePlan(data.context, id, 'new-step', hide('p1'))).rejects.toThrow(/missing|damaged/);
  db.update(versions).set({ stateBlob: version.stateBlob }).where(where).run();
  expect(must(await changePlan(data.context, id, 'new-step', hide('p1'))).planSize).toBe(1);
});

test('the steps of a file come one on top of the other, and are written in one go', async () => {
  const { fingerprint } = data.now(id).version;
  const file = {
    schema: 'currycomb.plan/1',
    base: fingerprint,
    steps: [hide('p1'), hide('p1', 'p2'), { ...hide('p3'), action: 'rename' }, hide('nobody')],
  };
  const taken = must(await takePlanIn(data.context, data.now(id), JSON.stringify(file)));
  expect(taken.added.map(({ done, nothing, planSize }) => [done, nothing, planSize])).toEqual([
    [1, 0, 2],
    [1, 1, 2],
    [0, 0, 2],
  ]);
  expect(taken.unread).toHaveLength(1);
  expect(planned()).toEqual([['p1'], ['p2']]);
  const { items } = plannedShell(data.context, data.now(id), { keyMarks: [] });
  expect(items.filter((item) => item.shown === false).map(({ ref }) => ref)).toEqual(['p1', 'p2']);
});

test('a way out of which a step can’t be made leaves the plan as it was', async () => {
  await data.plan(id, { action: 'hide', targets: ['p1', 'p2'], params: {} });
  const steps = [{ action: 'rename' as const, targets: ['p1'], params: {}, from: 'hand' }];
  expect(await takeWayOut(data.context, data.now(id), { action: 'hide', ref: 'p1', steps })).toMatchObject({
    ok: false,
  });
  expect(planned()).toEqual([['p1', 'p2']]);
});
