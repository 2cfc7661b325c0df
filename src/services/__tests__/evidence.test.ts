import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { bringInView } from '@/services/show/bring-in/bring-in-view';
import { countOldTallies } from '@/services/keep/findings/old-tallies';
import { decide } from '@/services/do/decide/decisions';
import { editPlan } from '@/services/do/decide/edit-plan';
import { evidenceOf } from '@/services/show/decide/evidence';
import { planOf } from '@/services/keep/plan/plan';
import { frameView } from '@/services/show/shells/frame-view';
import { DataFolder } from './data-folder';

let data: DataFolder;
beforeAll(() => {
  data = new DataFolder();
});
afterAll(() => data.close());

/** A module brought in twice, two quizzes without a due date, and equal files. */
const shell = (c: ShellComposer) => {
  for (const k of ['a', 'b'])
    for (let n = 0; n < 6; n += 1)
      c.page(`Page ${n}`, `<p>The ${n}th text about the stream and its gauge.</p>`, {
        ref: `${k}${n}`,
        path: `${k}/p${n}.html`,
      });
  for (const n of [1, 2]) {
    c.module(`Week ${n}`, { ref: `w${n}` });
    c.quiz(
      `Quiz ${n}`,
      [{ stem: `What is ${n} plus the stage?`, answers: ['one', 'two'], right: 0, points: n }],
      {
        ref: `q${n}`,
        parent: `w${n}`,
        points: n,
      },
    );
  }
  c.file('one.txt', 'the same words');
  c.file('two.txt', 'the same words');
};

test('a finding about many things shows each of them with place, state and what is said of it alone', async () => {
  const id = await data.bringIn(shell);
  await data.comb(id);
  const evidenceFor = (check: string) => {
    const finding = data.findings(id).find((f) => f.check === check)!;
    return evidenceOf(data.context, data.now(id), finding.id)!;
  };
  const undated = evidenceFor('readiness.undated-activity');
  expect(undated.things).toMatchObject([
    { title: 'Quiz 1', path: ['Week 1'], students: 'Shown', says: ['1 points'] },
    { title: 'Quiz 2', path: ['Week 2'], students: 'Shown', says: ['2 points'] },
  ]);
  expect([undated.items, undated.facts]).toEqual([[], []]);
  expect(evidenceFor('duplicate.same-file').things).toMatchObject([
    { title: 'one.txt', state: ['14 bytes'] },
    { title: 'two.txt', state: ['14 bytes'] },
  ]);
  // What is compared stands side by side instead.
  expect(evidenceFor('duplicate.same-content')).toMatchObject({ things: [], items: [{}, {}] });
});

test('parts of a larger finding are counted apart, and stand for themselves once it is left be', async () => {
  const id = await data.bringIn(shell, 'PART 1');
  await data.comb(id);
  const { context } = data;
  const open = data.findings(id);
  const parts = open.filter((f) => f.coveredBy !== null);
  expect(parts.length).toBe(6);
  expect(data.now(id).audit?.tally).toMatchObject({ total: open.length - 6, parts: 6 });
  const larger = open.find((f) => f.check === 'duplicate.repeated-import')!;
  decide(context, data.now(id), { decision: 'leave-be', findings: [larger.id] });
  expect(data.now(id).audit?.tally).toMatchObject({ total: open.length - 1, parts: 0 });
  expect(frameView(context, data.now(id), new Date()).states.decide).toBe(`${open.length - 1} open`);
});

test('a remedy is taken for some of its things; for things it is not about it is refused', async () => {
  const id = await data.bringIn(shell, 'SOME 1');
  await data.comb(id);
  const { context } = data;
  const finding = data.findings(id).find((f) => f.check === 'duplicate.repeated-import')!;
  const some = (only: readonly string[]) =>
    decide(context, data.now(id), { decision: 'accept-some', findings: [finding.id], only: [...only] });
  expect(some(['no-such-thing'])).toMatchObject({ ok: false, trouble: { code: 'no-such-things' } });
  expect(some(['b0', 'b4'])).toMatchObject({ ok: true, value: { state: 'planned', planSize: 2 } });
  const [row] = planOf(context.db, id);
  expect(row?.step.targets.map(({ ref }) => ref)).toEqual(['b0', 'b4']);
  // Deciding anew takes the place of what was decided before.
  expect(decide(context, data.now(id), { decision: 'accept', findings: [finding.id] })).toMatchObject({
    ok: true,
    value: { planSize: 6 },
  });
});

test('a step by hand goes into the plan as far as it can be done, with what is said of each of its things', async () => {
  const id = await data.bringIn(shell, 'HAND 1');
  const titles = { a0: 'Overview', a1: 'Page 1' };
  const step = { action: 'rename' as const, targets: ['a0', 'a1'], params: { titles }, from: 'hand' };
  expect(await editPlan(data.context, data.now(id), { edit: 'add', step })).toMatchObject({
    ok: true,
    value: { done: 1, nothing: 1, held: [], planSize: 1 },
  });
  expect(planOf(data.context.db, id)[0]?.step.targets.map(({ ref }) => ref)).toEqual(['a0']);
});

test('what an earlier version counted is counted anew', async () => {
  const id = await data.bringIn(shell, 'OLD 1');
  await data.comb(id);
  const { db } = data.context;
  const tally = data.now(id).audit?.tally;
  db.$client
    .prepare("UPDATE audits SET tally = json_remove(json_set(tally, '$.total', 99), '$.parts') WHERE id = ?")
    .run(data.now(id).audit!.id);
  expect(data.now(id).audit?.tally.total).toBe(99);
  countOldTallies(db);
  expect(data.now(id).audit?.tally).toEqual(tally);
  const view = bringInView(data.context, data.now(id));
  expect(view.inventory.unused).toBe(view.unused);
  db.$client.prepare("UPDATE versions SET inventory = json_remove(inventory, '$.unused', '$.months')").run();
  expect(bringInView(data.context, data.now(id))).toEqual({
    ...view,
    inventory: { ...view.inventory, unused: null, months: [] },
  });
});
