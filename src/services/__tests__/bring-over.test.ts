import type { IncomingKey } from '@/core/add/incoming';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { orderAdd } from '@/services/do/add/order-add';
import { addOrder } from '@/services/do/add/add-order';
import { orderSameSource } from '@/services/do/add/order-incoming';
import { orderUndo } from '@/services/do/carry-out/order-undo';
import { orderHoldShell } from '@/services/do/compare/order-compare';
import { bringOverDates } from '@/services/show/bring-in/bring-over-dates';
import { bringOverView, type BringOverView } from '@/services/show/bring-in/bring-over-view';
import { lookAt } from '@/services/show/shells/thing-look';
import { findRun } from '@/services/keep/shells/current-shell';
import { bareShellOf } from '@/services/keep/shells/subject-detail';
import { DataFolder, must, today } from './data-folder';

let data: DataFolder;
let [source, here, other] = ['', '', ''];

const week = (composer: ShellComposer, n: number, pages: readonly string[]) => {
  composer.module(`Week ${n}`, { ref: `w${n}` });
  for (const title of pages)
    composer.page(title, `<p>${title} is about the stream in week ${n}, and about nothing else.</p>`, {
      ref: `${title}-${n}`,
      parent: `w${n}`,
    });
};

beforeAll(async () => {
  data = new DataFolder();
  source = await data.bringIn(
    (composer) => {
      week(composer, 1, ['Gauge', 'Map']);
      week(composer, 2, ['Stage']);
    },
    'HYD 1',
    'title,due\nMap,2026-09-07T12:00:00\n',
  );
  here = await data.bringIn((composer) => week(composer, 1, ['Gauge']), 'HYD 2');
  other = await data.bringIn((composer) => week(composer, 1, ['Gauge', 'Map']), 'HYD 3');
});
afterAll(() => data.close());

const viewOf = (id: string): BringOverView => {
  const view = bringOverView(data.context, data.now(id));
  if (view === null) throw new Error('no source waits');
  return view;
};
const standings = (id: string) =>
  Object.fromEntries(viewOf(id).preview.things.map(({ title, standing }) => [title, standing]));
const titlesOf = (id: string) => bareShellOf(data.context, data.now(id)).items.map(({ title }) => title);
const bringOver = (id: string, chosen: readonly IncomingKey[], more: object = {}) => {
  const order = addOrder.parse({ chosen, landing: { where: 'match' }, dating: { mode: 'keep' }, ...more });
  return data.job(orderAdd(data.context, data.now(id), { ...order, incoming: viewOf(id).id }, today));
};

test('a shell of the list is a source: both outlines, and what each thing is to the shell', async () => {
  await data.job(orderHoldShell(data.context, data.now(here), { with: source }));
  expect(standings(here)).toEqual({
    'Week 1': 'there',
    Gauge: 'there',
    Map: 'new',
    'Week 2': 'new',
    Stage: 'new',
  });
  const view = viewOf(here);
  expect(view.lines.map(({ title }) => title)).toEqual(['Week 1', 'Gauge']);
  expect(view.sourceLines).toHaveLength(5);
  expect(view.others.map(({ code }) => code).sort()).toEqual(['HYD 1', 'HYD 3']);
});

test('a thing of the source is looked at as a page, though it is not in the shell', () => {
  const look = lookAt(data.context, data.now(here), { type: 'item', ref: 'Map-1', of: 'source' });
  expect(look).toMatchObject({
    is: 'page',
    html: expect.stringContaining('Map is about the stream') as string,
  });
  expect(lookAt(data.context, data.now(here), { type: 'item', ref: 'Map-1' })).toBeNull();
});

test('its dates are worked out before anything is taken', () => {
  const dates = (query: Record<string, string>) =>
    bringOverDates(data.context, data.now(here), new URLSearchParams(query));
  const term = { start: '2026-08-31', end: '2026-12-18' };
  expect(dates({ mode: 'week-and-weekday', ...term })?.rows?.['Map-1']).toEqual([
    { field: 'due', old: '2026-09-07T12:00:00', new: '2027-01-18T12:00:00', warnings: [] },
  ]);
  expect(dates({ mode: 'clear' })?.rows?.['Map-1']).toMatchObject([{ new: null }]);
  expect(dates({ mode: 'nonsense' })?.rows?.['Map-1']).toMatchObject([{ new: '2026-09-07T12:00:00' }]);
});

test('the same source goes into another shell, each compared by itself', async () => {
  await data.job(orderSameSource(data.context, data.now(other), { as: here }));
  expect(standings(other)).toMatchObject({ Map: 'there', Stage: 'new' });
  const nothing = orderSameSource(data.context, data.now(other), { as: source });
  expect(nothing).toMatchObject({ ok: false, trouble: { code: 'nothing-incoming' } });
});

test('what is brought over lands, is combed by itself, and is undone whole', async () => {
  const before = titlesOf(here);
  const { runId } = await bringOver(here, ['item Map-1', 'item Stage-2']);
  expect(titlesOf(here)).toEqual(['Week 1', 'Gauge', 'Map', 'Week 2', 'Stage']);
  expect(data.now(here).audit).not.toBeNull();
  expect(bringOverView(data.context, data.now(here))).toBeNull();
  await bringOver(other, ['item Stage-2']);
  expect(titlesOf(other)).toEqual(['Week 1', 'Gauge', 'Map', 'Week 2', 'Stage']);
  const run = findRun(data.context, here, runId ?? '');
  if (run === null) throw new Error('no run');
  await data.job(orderUndo(data.context, data.now(here), run));
  expect(titlesOf(here)).toEqual(before);
});

test('nothing ticked is refused, and so is another source while one is open', async () => {
  await data.job(orderHoldShell(data.context, data.now(here), { with: source }));
  const order = addOrder.parse({ chosen: [], landing: { where: 'match' }, dating: { mode: 'keep' } });
  const incoming = viewOf(here).id;
  expect(orderAdd(data.context, data.now(here), { ...order, incoming }, today)).toMatchObject({
    ok: false,
    trouble: { code: 'nothing-chosen' },
  });
  await data.job(orderHoldShell(data.context, data.now(source), { with: other }));
  expect(orderSameSource(data.context, data.now(here), { as: source })).toMatchObject({
    ok: false,
    trouble: { code: 'other-source' },
  });
  expect(must(orderSameSource(data.context, data.now(here), { as: here })).jobId).not.toBe('');
  await data.idle();
});
