import type { ListedFinding } from '@/core/checks/finding/finding';
import type { LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { decide } from '@/services/do/decide/decisions';
import { evidenceOf, type FindingEvidence } from '@/services/show/decide/evidence';
import { planOf } from '@/services/keep/plan/plan';
import { dropView, listSavedViews, saveView, savedViewSchema } from '@/services/do/decide/saved-views';
import { weekOfEvents } from '@/services/show/decide/week-of-event';
import { lookAt } from '@/services/show/shells/thing-look';
import { DataFolder } from './data-folder';

let data: DataFolder;
let id = '';
beforeAll(async () => {
  data = new DataFolder();
  id = await data.bringIn((composer) => {
    composer.module('Week 1', { ref: 'w1' });
    composer.page(
      'Ford',
      '<p>The ford was safe in <b>Autumn</b>\n2019.</p><img src="ford.png"><img src="gone.png">',
      {
        ref: 'ford',
        parent: 'w1',
        path: 'ford.html',
      },
    );
    for (const ref of ['one', 'two'])
      composer.page('Gauge', '<p>Read the staff gauge at eye level every ten minutes.</p>', {
        ref,
        path: `${ref}.html`,
      });
    composer.webLink('Map', 'https://maps.example/ford', { ref: 'map' });
    composer.file('ford.png', 'not really a picture');
    composer.file('alone.txt', 'alone');
    composer.file('sheet.pdf', '%PDF-1.4');
    composer.file('drawing.svg', '<svg xmlns="http://www.w3.org/2000/svg"><script>alert(1)</script></svg>');
    composer.file('data.bin', 'x');
    composer.file('empty.txt', '');
  });
  await data.comb(id);
});
afterAll(() => data.close());

const evidenceWhere = (isMeant: (finding: ListedFinding) => boolean): FindingEvidence => {
  const finding = data.findings(id).find((one) => isMeant(one as unknown as ListedFinding));
  const evidence = finding && evidenceOf(data.context, data.now(id), finding.id);
  if (!evidence) throw new Error('there is no such finding');
  return evidence;
};
const look = (type: 'item' | 'file', ref: string) => lookAt(data.context, data.now(id), { type, ref });

describe('how a thing looks', () => {
  test('a page comes with its pictures by value; what is not there has none', () => {
    const page = look('item', 'ford');
    if (page?.is !== 'page') throw new Error('not shown as a page');
    expect(page.html).toContain('<b>Autumn</b>');
    expect(page.html.match(/src="[^"]{0,22}/g)).toEqual(['src="data:image/png;base64,']);
  });
  test.each([
    ['a text', 'file', 'alone.txt', { is: 'text', text: 'alone' }],
    ['a PDF', 'file', 'sheet.pdf', { is: 'pdf', bytes: Buffer.from('%PDF-1.4').toString('base64') }],
    [
      'a drawing that could run something',
      'file',
      'drawing.svg',
      { is: 'nothing', why: expect.stringContaining('can’t be shown') as string },
    ],
    [
      'another type',
      'file',
      'data.bin',
      { is: 'nothing', why: expect.stringContaining('can’t be shown') as string },
    ],
    ['an empty file', 'file', 'empty.txt', { is: 'nothing', why: 'The file is empty.' }],
    ['a web link', 'item', 'map', { is: 'nothing', why: 'It leads to https://maps.example/ford.' }],
    ['a module', 'item', 'w1', { is: 'nothing', why: 'It has no content of its own.' }],
  ] as const)('%s', (_, type, ref, expected) => {
    expect(look(type, ref)).toEqual(expected);
  });
  test('what the shell does not have is null', () => {
    expect([look('item', 'nobody'), look('file', '../../etc/passwd')]).toEqual([null, null]);
  });
});

test('a finding tells the sentences that stand in the page, and what leads to it', () => {
  const past = evidenceWhere(({ check }) => check === 'outdated.past-term-mention');
  expect(past.sentences).toEqual(['The ford was safe in Autumn 2019.']);
  const unused = evidenceWhere(
    ({ check, subjects }) => check === 'orphan.unused-file' && subjects[0]?.ref === 'alone.txt',
  );
  expect(unused.chain).toEqual({ leads: null });
});

test('another keeper is offered, and taking it deletes the one that would have stayed', () => {
  const finding = data.findings(id).find(({ check }) => check === 'duplicate.same-content');
  if (!finding) throw new Error('no duplicates found');
  const way = evidenceOf(data.context, data.now(id), finding.id)?.others.find(({ keeps }) => keeps !== null);
  expect(way).toMatchObject({ keeps: 'two', label: 'Keep “Gauge” instead, delete 1' });
  decide(data.context, data.now(id), { decision: 'change', findings: [finding.id], other: way?.place ?? 0 });
  expect(planOf(data.context.db, id).at(-1)?.step).toMatchObject({
    action: 'delete',
    targets: [{ ref: 'one', sets: { links: { leadTo: 'two' } } }],
  });
});

test('many findings are changed in one decision; one that offers nothing of the sort is named', () => {
  const { context } = data;
  const findings = data.findings(id);
  const mention = findings.filter(({ check }) => check === 'outdated.past-term-mention').map((f) => f.id);
  const change = (ids: readonly string[], action: string) =>
    decide(context, data.now(id), { decision: 'change-all', findings: [...ids], action });
  expect(change(mention, 'hide')).toMatchObject({ ok: true, value: { state: 'planned' } });
  expect(planOf(context.db, id).at(-1)?.step).toMatchObject({ action: 'hide', targets: [{ ref: 'ford' }] });
  const file = findings.find(({ check }) => check === 'orphan.unused-file');
  expect(change([...mention, file?.id ?? ''], 'set-aside')).toMatchObject({
    ok: false,
    trouble: { code: 'no-such-remedy' },
  });
});

test('the week of an event holds all that stands in it', () => {
  const shell = new ShellComposer().shell();
  const event = (ref: string, ...days: string[]) => ({
    ...({} as (typeof shell.events)[number]),
    ref: ref as (typeof shell.events)[number]['ref'],
    title: ref,
    allDay: false,
    occurrences: days.map((day) => `${day}T10:00:00` as LocalDateTime),
  });
  const term = { ...shell.term, start: '2027-01-11', end: '2027-05-07' } as typeof shell.term;
  const full = {
    ...shell,
    term,
    noClassDays: ['2027-01-18'] as unknown as typeof shell.noClassDays,
    events: [
      event('lab', '2027-01-20', '2027-01-27'),
      event('talk', '2027-01-18'),
      event('far', '2027-03-01'),
    ],
  };
  const week = weekOfEvents(full, ['lab']);
  expect(week?.number).toBe(2);
  expect(week?.days.map(({ day }) => day)).toEqual(
    ['18', '19', '20', '21', '22', '23', '24'].map((day) => `2027-01-${day}`),
  );
  expect(week?.days[0]).toMatchObject({ noClass: true, entries: [{ title: 'talk', isAsked: false }] });
  expect(week?.days[2]?.entries).toMatchObject([{ title: 'lab', isAsked: true }]);
  expect(weekOfEvents(full, ['nobody'])).toBeNull();
});

test('views are kept by name, replaced and dropped', () => {
  const { context } = data;
  expect(saveView(context, { name: 'Fix first', query: '?urgency=fix-first' })).toHaveLength(1);
  saveView(context, { name: 'Fix first', query: '?urgency=fix-first&by=module' });
  saveView(context, { name: 'Aside', query: '' });
  expect(listSavedViews(context)).toEqual([
    { name: 'Aside', query: '' },
    { name: 'Fix first', query: '?urgency=fix-first&by=module' },
  ]);
  expect(dropView(context, 'Aside').map(({ name }) => name)).toEqual(['Fix first']);
  expect(savedViewSchema.safeParse({ name: '  ', query: '' }).success).toBe(false);
});
