import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { editPlan, type PlanEdit } from '@/services/do/decide/edit-plan';
import { editKeptPlans } from '@/services/do/decide/kept-plans';
import { planDrawer } from '@/services/show/decide/plan-drawer';
import { DataFolder, must } from './data-folder';

let data: DataFolder;
beforeAll(() => {
  data = new DataFolder();
});
afterAll(() => data.close());

const shell = (composer: ShellComposer) => {
  for (const week of [1, 2]) {
    composer.module(`Week ${week}`, { ref: `w${week}` });
    for (const name of ['Reading', 'Notes'])
      composer.page(name, `<p>${name} of week ${week}</p>`, {
        ref: `${name}${week}`,
        parent: `w${week}`,
        path: `${name}${week}.html`,
      });
  }
  composer.file('gauge.png', 'picture');
};
const edit = async (id: string, change: PlanEdit) => must(await editPlan(data.context, data.now(id), change));
const add = (id: string, action: 'hide' | 'show' | 'delete' | 'rename', targets: string[], params = {}) =>
  edit(id, { edit: 'add', step: { action, targets, params, from: 'hand' } });
const drawer = (id: string) => planDrawer(data.context, data.now(id));
const shown = (id: string) =>
  drawer(id).groups.map(({ place, steps }) => [
    place,
    ...steps.map(({ place: n, what, count }) => `${n} ${what} ${count}`),
  ]);

test('the plan stands by place, and steps that disagree say so', async () => {
  const id = await data.bringIn(shell, 'PLAN 1');
  await add(id, 'hide', ['Reading1', 'Notes1']);
  await add(id, 'delete', ['gauge.png']);
  await add(id, 'show', ['Notes1']);
  await add(id, 'hide', ['Reading2']);
  await add(id, 'delete', ['Reading2']);
  expect(shown(id)).toEqual([
    ['Week 1', '1 Hide 2', '3 Show 1'],
    ['Files', '2 Delete 1'],
    ['Week 2', '4 Hide 1', '5 Delete 1'],
  ]);
  const steps = drawer(id).groups.flatMap((group) => group.steps);
  expect(steps.map(({ contradictions }) => contradictions)).toEqual([
    ['Step 3 (show) overrides this for 1 of these.'],
    ['This overrides step 1 (hide) for 1 of these.'],
    [],
    ['Step 5 deletes 1 of these, so this does nothing for them.'],
    [],
  ]);
});

test('things are taken out of a step, steps change places, and a step without things goes', async () => {
  const id = await data.bringIn(shell, 'PLAN 2');
  await add(id, 'hide', ['Reading1', 'Notes1']);
  await add(id, 'delete', ['gauge.png']);
  const ids = () => drawer(id).groups.flatMap(({ steps }) => steps.map((step) => step.id));
  const [first = '', second = ''] = ids();
  expect(await edit(id, { edit: 'without', id: first, refs: ['Notes1'] })).toEqual({ planSize: 2 });
  await edit(id, { edit: 'order', ids: [second, first] });
  expect(shown(id)).toEqual([
    ['Files', '1 Delete 1'],
    ['Week 1', '2 Hide 1'],
  ]);
  expect(await edit(id, { edit: 'without', id: first, refs: ['Reading1'] })).toEqual({ planSize: 1 });
  expect(
    await editPlan(data.context, data.now(id), { edit: 'without', id: first, refs: ['x'] }),
  ).toMatchObject({
    ok: false,
    trouble: { code: 'plan-changed' },
  });
});

test('a plan kept by name is used on another shell; what is not there is listed', async () => {
  const id = await data.bringIn(shell, 'PLAN 3');
  await add(id, 'hide', ['Reading1', 'Notes2']);
  const { context } = data;
  expect(await editKeptPlans(context, data.now(id), { edit: 'keep', name: 'Before term' })).toMatchObject({
    ok: true,
    value: { plans: [{ name: 'Before term', steps: 1, madeFor: 'PLAN 3' }] },
  });
  const other = await data.bringIn((composer) => {
    composer.module('Week 1', { ref: 'other-week' });
    composer.page('Reading', '<p>Other words</p>', { ref: 'other', parent: 'other-week', path: 'o.html' });
  }, 'PLAN 4');
  const empty = await editKeptPlans(context, data.now(other), { edit: 'keep', name: 'Nothing' });
  expect(empty).toMatchObject({ ok: false, trouble: { code: 'plan-empty' } });
  const used = must(await editKeptPlans(context, data.now(other), { edit: 'use', name: 'Before term' }));
  expect(used.taken?.missing).toEqual(['Notes']);
  expect(shown(other)).toEqual([['Week 1', '1 Hide 1']]);
  expect(await editKeptPlans(context, data.now(other), { edit: 'use', name: 'gone' })).toMatchObject({
    ok: false,
  });
  expect(
    must(await editKeptPlans(context, data.now(other), { edit: 'drop', name: 'Before term' })).plans,
  ).toEqual([]);
});
