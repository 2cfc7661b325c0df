import { resetAskSchema, type ResetAsked } from '@/services/do/drafts/reset-ask';
import { resetInPlan } from '@/services/do/decide/reset-plan';
import { resetStart } from '@/services/show/decide/reset-start';
import { orderRehearsal } from '@/services/do/rehearse/order-rehearsal';
import { orderRun } from '@/services/do/carry-out/order-run';
import { rehearseStage } from '@/services/show/rehearse/rehearse-view';
import { planOf } from '@/services/keep/plan/plan';
import { DataFolder } from './data-folder';

let data: DataFolder;
let id = '';
beforeAll(async () => {
  data = new DataFolder();
  id = await data.bringIn((composer) => {
    composer.module('Week 1', { ref: 'week' });
    composer.page('Birds', '<img src="heron.png">', { ref: 'birds', parent: 'week', path: 'birds.html' });
    composer.assignment('Count', '<p>count</p>', 10, { ref: 'count', parent: 'week', studentWork: 3 });
    composer.file('heron.png', 'picture');
  }, 'BIO 355');
});
afterAll(() => data.close());

const reset = (ask: Partial<ResetAsked>) =>
  resetInPlan(data.context, data.now(id), resetAskSchema.parse({ areas: ['items', 'files'], ...ask }));

test('the screen opens with what each area holds, and with what can be kept', () => {
  const start = resetStart(data.context, data.now(id));
  expect(start).toMatchObject({ code: 'BIO 355', isCombed: false, planSize: 0 });
  expect(start.counts.filter(({ now }) => now > 0)).toEqual([
    { area: 'items', now: 3 },
    { area: 'files', now: 1 },
  ]);
  expect(start.choices.find(({ ref }) => ref === 'birds')).toMatchObject({ title: 'Birds', place: 'Week 1' });
});

test('it is looked at without being planned', async () => {
  expect(await reset({ keep: ['birds'] })).toMatchObject({
    ok: true,
    value: {
      areas: [
        { area: 'items', now: 3, after: 2, returns: 'gone for good' },
        { area: 'files', now: 1, after: 1, returns: 'returns' },
      ],
      going: 1,
      left: [],
      needed: [{ ref: 'week' }, { ref: 'heron.png' }],
      work: [{ title: 'Count' }],
      added: null,
    },
  });
  expect(planOf(data.context.db, id)).toEqual([]);
});

test.each<[string, Partial<ResetAsked>, string]>([
  ['another shell’s code', { take: { code: 'HYD 214', withStudentWork: 1 } }, 'reset-not-armed'],
  ['another number', { take: { code: 'BIO 355', withStudentWork: 0 } }, 'student-work'],
  ['nothing to go', { areas: ['events'], take: { code: 'BIO 355', withStudentWork: 0 } }, 'nothing-goes'],
  ['something to keep that is not there', { keep: ['nobody'] }, 'reset-refused'],
])('%s does not arm it', async (_, ask, code) => {
  expect(await reset(ask)).toMatchObject({ ok: false, trouble: { code } });
  expect(planOf(data.context.db, id)).toEqual([]);
});

test('armed, it is one step of the plan that names everything that goes', async () => {
  expect(await reset({ take: { code: 'BIO 355', withStudentWork: 1 } })).toMatchObject({
    ok: true,
    value: { added: { done: 4, held: [], planSize: 4 } },
  });
  const [row] = planOf(data.context.db, id);
  expect(row?.step.action).toBe('reset-area');
  expect(row?.step.targets.map(({ ref }) => ref).sort()).toEqual(['birds', 'count', 'heron.png', 'week']);
});

test('what would not go is told with its reason, and every number of a reset is one', async () => {
  const status = 'title,kind,in_use\nBegin here,home-page,yes\n';
  const home = await data.bringIn(
    (composer) => {
      composer.module('Week 1', { ref: 'week' });
      composer.page('Birds', '<img src="heron.png">', { ref: 'birds', parent: 'week', path: 'birds.html' });
      composer.page('Begin here', '<p>hello</p>', { ref: 'begin', path: 'begin.html', outside: true });
      composer.file('heron.png', 'picture');
    },
    'BIO 356',
    status,
  );
  await data.comb(home);
  const wish = { areas: ['items', 'files', 'home-pages'] };
  const take = { code: 'BIO 356', withStudentWork: 0 };
  const asked = (ask: object) =>
    resetInPlan(data.context, data.now(home), resetAskSchema.parse({ ...wish, ...ask }));
  expect(await asked({})).toMatchObject({
    ok: true,
    value: { going: 3, left: [{ title: 'Begin here', why: expect.stringContaining('home page') as string }] },
  });
  expect(await asked({ take })).toMatchObject({ ok: true, value: { added: { done: 3, planSize: 3 } } });
  await data.job(orderRehearsal(data.context, data.now(home)));
  expect(rehearseStage(data.context, data.now(home)).sealed?.changes).toBe(3);
  await data.job(orderRun(data.context, data.now(home)));
  const kept = data.context.db.$client
    .prepare('SELECT summary FROM runs WHERE shell_id = ?')
    .pluck()
    .get(home);
  expect(JSON.parse(String(kept))).toMatchObject({ done: 3, emptiness: { before: 3, left: 0 } });
});
