import { applyEdits } from '@/core/edits/apply-edits';
import { invertEdits } from '@/core/edits/edit';
import { linkGraphOf } from '@/core/links/graph';
import type { GradeColumn, Shell } from '@/core/shell/model';
import { gradeCategoryRef, gradeColumnRef, shellRef } from '@/core/refs/refs';
import { shellFingerprint } from '@/core/shell/shell-fingerprint';
import { unsoundnessOf } from '@/core/shell/soundness';
import { addDays, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { holdAgainst } from '../hold-against';
import { addSo, autumn, category, linesOf, spring, words } from './add-so';

function evening(): Shell {
  const c = new ShellComposer({
    ref: shellRef('evening'),
    code: 'HYD 214-E',
    title: 'Evening group',
    term: spring,
    previousTerm: autumn,
  });
  c.module('Week 1: Start', { ref: 'w1' });
  c.page('Welcome', `<p>Welcome to the evening group. ${words}</p>`, {
    ref: 'welcome',
    parent: 'w1',
    path: 'pages/welcome.html',
  });
  c.module('Week 2: Safety', { ref: 'w2' });
  c.file('pictures/gauge.png', Buffer.from('the gauge'));
  c.file('pictures/map.png', Buffer.from('the old map'));
  return c.shell();
}

const column = (ref: string, title: string, inCategory: string, points = 10): GradeColumn => ({
  ref: gradeColumnRef(ref),
  title,
  category: gradeCategoryRef(inCategory),
  points,
  results: 22,
  extra: {},
});

/** A day group: one page equal to the shell's, one new, one of the same place and other words, pictures in every standing. */
function day(): Shell {
  const c = new ShellComposer({ ref: shellRef('day'), title: 'Day group', term: autumn });
  c.module('Week 1: Reading a stream', { ref: 'd1' });
  c.page('Hello', `<p>Welcome to the evening group. ${words}</p>`, { ref: 'hello', parent: 'd1' });
  c.module('Week 2: Safety', { ref: 'w2' });
  c.page(
    'Cold water',
    `<p>${words} Cold water shock comes first. <img src="../pictures/gauge.png"> <img src="../pictures/map.png"> <img src="../other/gauge-copy.png"> <a href="../page/r1.html">before</a></p>`,
    {
      ref: 'cold',
      parent: 'w2',
      due: '2025-09-05T23:59:59' as LocalDateTime,
      studentWork: 14,
      path: 'week2/cold.html',
    },
  );
  c.module('Week 3: Stage', { ref: 'd3' });
  c.heading('Before class', { ref: 'd3h', parent: 'd3' });
  c.page('Rating', `<p>${words} The rating curve. <link rel="stylesheet" href="../style/look.css"></p>`, {
    ref: 'rating',
    parent: 'd3',
    path: 'week3/rating.html',
  });
  c.page('Autumn news', '<p>The autumn field day is moved to the weir because of the flood last week.</p>', {
    ref: 'news',
    outside: true,
    created: '2025-10-01T09:00:00' as LocalDateTime,
  });
  c.file('pictures/gauge.png', Buffer.from('the gauge'));
  c.file('pictures/map.png', Buffer.from('the new map'));
  c.file('other/gauge-copy.png', Buffer.from('the gauge'));
  c.file('style/look.css', 'body { background: url("../pictures/map.png") }');
  c.file('left/over.txt', 'nobody uses this');
  const shell = c.shell();
  const items = shell.items.map((item) => {
    if (item.title === 'Autumn news') return { ...item, kind: 'announcement' as const };
    return item.title === 'Rating' ? { ...item, gradeColumn: 'col-1' } : item;
  });
  return {
    ...shell,
    items,
    gradeCategories: [category('cat-1', 'Labs'), category('cat-2', 'Imported, empty')],
    gradeColumns: [column('col-1', 'Rating', 'cat-1')],
  };
}

test('each thing is held against the shell', () => {
  const held = Object.fromEntries(
    holdAgainst(evening(), day()).things.map((t) => [
      t.title,
      [t.standing, t.counterpart?.ref ?? null, t.proposed, t.leftOut],
    ]),
  );
  expect(held).toEqual({
    // By its number a module is there; the same words under another title are there.
    'Week 1: Reading a stream': ['there', 'w1', false, null],
    Hello: ['there', 'welcome', false, null],
    'Week 2: Safety': ['there', 'w2', false, null],
    'Cold water': ['new', null, true, null],
    // A module is never proposed for itself.
    'Week 3: Stage': ['new', null, false, null],
    'Before class': ['new', null, true, null],
    Rating: ['new', null, true, null],
    'Autumn news': ['new', null, false, 'announcement'],
    'pictures/gauge.png': ['there', 'pictures/gauge.png', false, null],
    'pictures/map.png': ['differs', 'pictures/map.png', false, null],
    'other/gauge-copy.png': ['there', 'pictures/gauge.png', false, null],
    'style/look.css': ['new', null, true, null],
    'left/over.txt': ['new', null, false, 'unused'],
    Labs: ['new', null, true, null],
    'Imported, empty': ['new', null, false, 'empty-category'],
  });
});

test('a difference is said in words', () => {
  const changed = new ShellComposer({ ref: shellRef('x'), title: 'x' });
  changed.module('Week 1: Start', { ref: 'w1' });
  changed.page('Welcome', `<p>Welcome to the morning group. ${words}</p>`, { ref: 'welcome', parent: 'w1' });
  const thing = holdAgainst(evening(), changed.shell()).things.find((t) => t.ref === 'welcome');
  expect([thing?.standing, thing?.differences]).toEqual([
    'differs',
    ['the text says “Welcome to the morning” instead of “Welcome to the evening”'],
  ]);
});

test('a shell held against itself has nothing new, and adding what is proposed changes nothing', () => {
  const shell = day();
  const { preview, edits, after } = addSo(shell, shell);
  expect(preview.counts).toMatchObject({ new: 0, differs: 0 });
  expect(edits).toEqual([]);
  expect(shellFingerprint(after)).toBe(shellFingerprint(shell));
});

test('what is needed comes along, each with what needs it; what is there is used as it stands', () => {
  const { choice } = addSo(evening(), day(), { take: 'none', and: ['cold', 'rating'] });
  expect([...choice.ticked]).toEqual(['item cold', 'item rating']);
  expect(Object.fromEntries(choice.needed)).toEqual({
    'file pictures/map.png': ['item cold', 'file style/look.css'],
    'file style/look.css': ['item rating'],
    'gradeColumn col-1': ['item rating'],
    'gradeCategory cat-1': ['gradeColumn col-1'],
    'item d3': ['item rating'],
  });
});

test('the proposal lands in the matching modules, under free names, with links led where they belong', () => {
  const { after, links } = addSo(evening(), day());
  expect(linesOf(after)).toEqual([
    'Week 1: Start',
    '  Welcome',
    'Week 2: Safety',
    '  Cold water',
    'Week 3: Stage',
    '  Before class',
    '  Rating',
  ]);
  // The other map has a name of its own; the second gauge is the one that was there.
  expect(after.files.map((f) => f.path)).toEqual([
    'pictures/gauge.png',
    'pictures/map.png',
    'pictures/map-2.png',
    'style/look.css',
  ]);
  const cold = after.contents.find((c) => c.textPath === 'week2/cold.html');
  expect(cold?.texts[0]).toContain(
    '<img src="../pictures/gauge.png"> <img src="../pictures/map-2.png"> <img src="../pictures/gauge.png">',
  );
  expect(cold?.texts[0]).toContain('<a href="../pages/welcome.html">before</a>');
  expect(after.files.find((f) => f.path === 'style/look.css')?.text).toContain(
    'url("../pictures/map-2.png")',
  );
  expect(linkGraphOf(after).broken).toEqual([]);
  expect(links).toEqual([
    { from: 'cold', to: '../pictures/map.png', now: 'pictures/map-2.png' },
    { from: 'cold', to: '../other/gauge-copy.png', now: 'pictures/gauge.png' },
    { from: 'cold', to: '../page/r1.html', now: 'welcome' },
    { from: 'style/look.css', to: '../pictures/map.png', now: 'pictures/map-2.png' },
  ]);
  expect(after.items.find((i) => i.ref === 'cold')).toMatchObject({
    due: '2025-09-05T23:59:59',
    studentWork: 0,
    batch: 'added today',
  });
  expect(after.gradeColumns).toEqual([
    expect.objectContaining({ ref: 'col-1', category: 'cat-1', results: 0 }),
  ]);
  expect(after.gradeCategories.map((c) => c.title)).toEqual(['Labs']);
});

test.each([
  [{ where: 'match' }],
  [{ where: 'end' }],
  [{ where: 'in', ref: 'w2' }],
  [{ where: 'before', ref: 'welcome' }],
  [{ where: 'after', ref: 'w1' }],
] as const)('undone, the first shell is there again, wherever it landed: %j', (landing) => {
  const shell = evening();
  const { after, edits } = addSo(shell, day(), { take: 'all', differs: 'replace' }, { landing });
  expect(unsoundnessOf(after)).toBeNull();
  expect(applyEdits(after, invertEdits(edits))).toEqual(shell);
});

describe('dates', () => {
  const due = (dating: 'keep' | 'week-and-weekday' | 'shift' | 'clear', when = '2025-09-05T23:59:59') => {
    const source = day();
    const items = source.items.map((item) =>
      item.ref === 'cold' ? { ...item, due: when as LocalDateTime } : item,
    );
    const { after, dates } = addSo(
      evening(),
      { ...source, items },
      { take: 'none', and: ['cold'] },
      { dating: { mode: dating, days: 7 } },
    );
    return [after.items.find((i) => i.ref === 'cold')?.due, dates.rows.get('cold')];
  };

  test('are kept, moved by week and weekday, shifted, or cleared, and each is said', () => {
    const [old, field] = ['2025-09-05T23:59:59', 'due'];
    expect(due('keep')).toEqual([old, [{ field, old, new: old, warnings: [] }]]);
    // Friday of the second week in both terms.
    const friday = '2027-01-22T23:59:59';
    expect(due('week-and-weekday')).toEqual([friday, [{ field, old, new: friday, warnings: [] }]]);
    expect(due('shift')[0]).toBe('2025-09-12T23:59:59');
    expect(due('clear')).toEqual([null, [{ field, old, new: null, warnings: [] }]]);
  });

  test('the days without class of the source’s term count', () => {
    const monday = '2025-08-25' as LocalDate;
    const firstWeek = [0, 1, 2, 3, 4].map((days) => addDays(monday, days));
    const { dates } = addSo(
      evening(),
      day(),
      { take: 'none', and: ['cold'] },
      { dating: { mode: 'week-and-weekday', days: 0 }, noClassOf: () => firstWeek },
    );
    // Without the first week the due date lies in week 1.
    expect(dates.rows.get('cold')?.map((row) => row.new)).toEqual(['2027-01-15T23:59:59']);
  });

  test.each([
    ['far from the source’s term', '2024-03-01T12:00:00'],
    ['in the target’s term already', '2027-02-01T12:00:00'],
  ])('what lies %s stays, without a warning', (_, when) => {
    const row = { field: 'due', old: when, new: when, warnings: [] };
    expect(due('week-and-weekday', when)).toEqual([when, [row]]);
    expect(due('shift', when)).toEqual([when, [row]]);
  });
});

test('the home page in use becomes one of the home pages, in use where that is asked for', () => {
  const c = new ShellComposer({ ref: shellRef('h'), term: spring });
  c.page('Begin here', `<p>Begin. ${words}</p>`, { ref: 'begin' });
  const source: Shell = {
    ...c.shell(),
    homePages: [{ ref: c.shell().items[0]?.ref as never, title: 'Begin here', inUse: true }],
  };
  const here: Shell = {
    ...evening(),
    homePages: [{ ref: 'welcome' as never, title: 'Welcome', inUse: true }],
  };
  const homes = (homePage: string | null) =>
    addSo(here, source, {}, { homePage }).after.homePages.map(({ ref, inUse }) => [ref, inUse]);
  expect(homes(null)).toEqual([
    ['welcome', true],
    ['begin', false],
  ]);
  expect(homes('begin')).toEqual([
    ['welcome', false],
    ['begin', true],
  ]);
});

test('what is left out by name takes along what only it needs, and links to it are told as broken', () => {
  const bare = new ShellComposer({ ref: shellRef('bare'), term: spring }).shell();
  const { after, links } = addSo(bare, day(), { leave: ['rating'] });
  expect(after.files.map(({ path }) => path)).not.toContain('style/look.css');
  expect(after.gradeColumns).toEqual([]);
  expect(linesOf(after)).not.toContain('Week 3: Stage');
  // Of two equal pictures the first came; the link to the second leads to it.
  expect(links).toEqual([{ from: 'cold', to: '../other/gauge-copy.png', now: 'pictures/gauge.png' }]);
  const without = addSo(bare, day(), { leave: ['pictures/map.png'] });
  expect(without.links.filter(({ now }) => now === null)).toEqual([
    { from: 'cold', to: '../pictures/map.png', now: null },
    { from: 'style/look.css', to: '../pictures/map.png', now: null },
  ]);
});

test('kinds narrow the first choice', () => {
  const { choice, preview } = addSo(evening(), day(), { take: 'all', kinds: ['announcement', 'file'] });
  const titles = preview.things.flatMap(({ key, title }) => (choice.ticked.has(key) ? [title] : []));
  expect(titles).toEqual(['Autumn news', 'left/over.txt']);
});

test('a link to what was not taken is told', () => {
  const bare = new ShellComposer({ ref: shellRef('bare'), term: spring }).shell();
  const { links } = addSo(bare, day(), { take: 'none', and: ['cold'] });
  expect(links).toContainEqual({ from: 'cold', to: '../page/r1.html', now: null });
});
