import { applyEdits } from '@/core/edits/apply-edits';
import { invertEdits } from '@/core/edits/edit';
import { linkGraphOf } from '@/core/links/graph';
import type { GradeCategory, GradeColumn, Shell } from '@/core/shell/model';
import { gradeCategoryRef, gradeColumnRef, shellRef } from '@/core/refs/refs';
import { shellFingerprint } from '@/core/shell/shell-fingerprint';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { addThings, type AddChoice } from '../add-things';
import { holdAgainst } from '../hold-against';
import { incomingKey } from '../incoming';
import { closeChoice } from '../needs';

const spring = { title: 'Spring 2027', start: '2027-01-11' as LocalDate, end: '2027-05-07' as LocalDate };
const autumn = { title: 'Autumn 2025', start: '2025-08-25' as LocalDate, end: '2025-12-12' as LocalDate };
const words = 'Stand downstream of the gauge and read at eye level where the water meets the scale.';

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
  });
  c.file('pictures/gauge.png', Buffer.from('the gauge'));
  c.file('pictures/map.png', Buffer.from('the new map'));
  c.file('other/gauge-copy.png', Buffer.from('the gauge'));
  c.file('style/look.css', 'body { background: url("../pictures/map.png") }');
  c.file('left/over.txt', 'nobody uses this');
  const shell = c.shell();
  return {
    ...shell,
    items: shell.items.map((i) =>
      i.title === 'Autumn news' ? { ...i, kind: 'announcement' as const } : withColumn(i),
    ),
    gradeCategories: [category('cat-1', 'Labs'), category('cat-2', 'Imported, empty')],
    gradeColumns: [
      {
        ref: gradeColumnRef('col-1'),
        title: 'Rating',
        category: gradeCategoryRef('cat-1'),
        points: 10,
        results: 22,
        extra: {},
      } satisfies GradeColumn,
    ],
  };
}
const category = (ref: string, title: string): GradeCategory => ({
  ref: gradeCategoryRef(ref),
  title,
  weight: null,
  extra: {},
});

const choice = (chosen: readonly string[], more: Partial<AddChoice> = {}): AddChoice => ({
  chosen,
  landing: { where: 'matching' },
  dating: 'keep',
  batch: 'added today',
  ...more,
});
const proposed = (shell: Shell, incoming: Shell) =>
  holdAgainst(shell, incoming)
    .things.filter((t) => t.proposed)
    .map((t) => t.key);

test('each thing is held against the shell', () => {
  const held = Object.fromEntries(
    holdAgainst(evening(), day()).things.map((t) => [
      t.key,
      [t.standing, t.counterpart?.ref ?? null, t.leftOut],
    ]),
  );
  expect(held['item hello']).toEqual(['doubled', 'welcome', 'the same is there as “Welcome”']);
  expect(held['item d1']).toEqual(['new', null, 'nothing in it is taken']);
  expect(held['item w2']).toEqual(['there', 'w2', 'it is there already']);
  expect(held['item cold']).toEqual(['new', null, null]);
  expect(held['item rating']).toEqual(['new', null, null]);
  expect(held['file pictures/gauge.png']).toEqual(['there', 'pictures/gauge.png', 'it is there already']);
  expect(held['file pictures/map.png']).toEqual([
    'differs',
    'pictures/map.png',
    'another version of it is there',
  ]);
  expect(held['file other/gauge-copy.png']).toEqual([
    'doubled',
    'pictures/gauge.png',
    'the same is there as “pictures/gauge.png”',
  ]);
  expect(held['file left/over.txt']).toEqual(['new', null, 'nothing uses it']);
  expect(held['gradeCategory cat-2']).toEqual(['new', null, 'nothing is in it']);
  const news = Object.entries(held).find(([, [, , why]]) => why === 'an announcement of another term');
  expect(news).toBeDefined();
});

test('a difference is said in words', () => {
  const changed = new ShellComposer({ ref: shellRef('x'), title: 'x' });
  changed.module('Week 1: Start', { ref: 'w1' });
  changed.page('Welcome', `<p>Welcome to the morning group. ${words}</p>`, {
    ref: 'welcome',
    parent: 'w1',
    due: '2025-09-05T23:59:59' as LocalDateTime,
    shown: false,
  });
  const thing = holdAgainst(evening(), changed.shell()).things.find((t) => t.ref === 'welcome')!;
  expect([thing.standing, thing.differences]).toEqual([
    'differs',
    [
      'the text says “Welcome to the morning” instead of “Welcome to the evening”',
      'due 2025-09-05 23:59 instead of no date',
      'hidden instead of shown',
    ],
  ]);
});

test('a shell held against itself has nothing new, and adding what is proposed changes nothing', () => {
  const shell = day();
  const preview = holdAgainst(shell, shell);
  expect(preview.counts).toMatchObject({ new: 0, differs: 0, doubled: 0 });
  const addition = addThings(shell, shell, preview, choice(proposed(shell, shell)));
  expect(addition.edits).toEqual([]);
  expect(shellFingerprint(addition.after)).toBe(shellFingerprint(shell));
});

test('what a choice needs comes along and says why; what is there is used as it stands', () => {
  const preview = holdAgainst(evening(), day());
  const { taken, along } = closeChoice(preview, [incomingKey('item', 'cold')]);
  expect([...taken].sort()).toEqual(['file pictures/map.png', 'item cold']);
  expect(along.get(incomingKey('file', 'pictures/map.png'))).toEqual({
    for: 'Cold water',
    why: 'a picture or file on it',
  });
  const rating = closeChoice(preview, [incomingKey('item', 'rating')]);
  expect([...rating.taken].sort()).toEqual([
    'file pictures/map.png',
    'file style/look.css',
    'gradeCategory cat-1',
    'gradeColumn col-1',
    'item rating',
  ]);
});

test('a grade column comes along with the activity that has its title', () => {
  const c = new ShellComposer({ ref: shellRef('labs'), title: 'Labs' });
  c.assignment('Lab 1', '<p>Measure.</p>', 10, { ref: 'lab' });
  const incoming: Shell = {
    ...c.shell(),
    gradeCategories: [category('k', 'Labs')],
    gradeColumns: [
      {
        ref: gradeColumnRef('c'),
        title: 'lab 1',
        category: gradeCategoryRef('k'),
        points: 10,
        results: 3,
        extra: {},
      },
    ],
  };
  const preview = holdAgainst(evening(), incoming);
  expect([...closeChoice(preview, [incomingKey('item', 'lab')]).taken].sort()).toEqual([
    'gradeCategory k',
    'gradeColumn c',
    'item lab',
  ]);
});

test('the proposal lands in the matching modules, under free names, with links led where they belong', () => {
  const [shell, incoming] = [evening(), day()];
  const addition = addThings(
    shell,
    incoming,
    holdAgainst(shell, incoming),
    choice(proposed(shell, incoming)),
  );
  const { after } = addition;
  expect(after.items.map((i) => [i.ref, i.parent])).toEqual([
    ['w1', null],
    ['welcome', 'w1'],
    ['w2', null],
    ['cold', 'w2'],
    ['d3', null],
    ['d3h', 'd3'],
    ['rating', 'd3'],
  ]);
  // The other map has a name of its own; the doubled gauge is the one that was there.
  expect(after.files.map((f) => f.path)).toEqual([
    'pictures/gauge.png',
    'pictures/map.png',
    'pictures/map-2.png',
    'style/look.css',
  ]);
  const cold = after.contents.find((c) => c.textPath === 'week2/cold.html')!;
  expect(cold.texts[0]).toContain(
    '<img src="../pictures/gauge.png"> <img src="../pictures/map-2.png"> <img src="../pictures/gauge.png">',
  );
  expect(cold.texts[0]).toContain('<a href="../pages/welcome.html">before</a>');
  expect(after.files.find((f) => f.path === 'style/look.css')?.text).toContain(
    'url("../pictures/map-2.png")',
  );
  expect(linkGraphOf(after).broken).toEqual([]);
  expect([addition.relinked, addition.loose]).toEqual([4, []]);
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

test('undone, the first shell is there again', () => {
  const [shell, incoming] = [evening(), day()];
  for (const landing of [{ where: 'matching' }, { where: 'end' }, { where: 'module', ref: 'w2' }] as const) {
    const preview = holdAgainst(shell, incoming);
    const addition = addThings(
      shell,
      incoming,
      preview,
      choice(
        preview.things.map((t) => t.key),
        { landing },
      ),
    );
    expect(applyEdits(addition.after, invertEdits(addition.edits))).toEqual(shell);
  }
});

test('one thing comes without the module around it, to the chosen place', () => {
  const [shell, incoming] = [evening(), day()];
  const preview = holdAgainst(shell, incoming);
  const parent = (more: Partial<AddChoice>) =>
    addThings(shell, incoming, preview, choice([incomingKey('item', 'rating')], more)).after.items.find(
      (i) => i.ref === 'rating',
    )?.parent;
  expect(parent({ landing: { where: 'end' } })).toBeNull();
  expect(parent({ landing: { where: 'module', ref: 'w1' } })).toBe('w1');
  // There is no week 3 in the shell.
  expect(parent({ landing: { where: 'matching' } })).toBeNull();
});

test('dates are kept, shifted by the terms, or cleared', () => {
  const [shell, incoming] = [evening(), day()];
  const preview = holdAgainst(shell, incoming);
  const due = (dating: AddChoice['dating']) =>
    addThings(shell, incoming, preview, choice([incomingKey('item', 'cold')], { dating })).after.items.find(
      (i) => i.ref === 'cold',
    )?.due;
  // Friday of the second week in both terms.
  expect([due('keep'), due('shift'), due('clear')]).toEqual([
    '2025-09-05T23:59:59',
    '2027-01-22T23:59:59',
    null,
  ]);
});

test('a date that the term has no day for stays, and is told', () => {
  const [shell, incoming] = [
    { ...evening(), previousTerm: null },
    { ...day(), term: { ...autumn, start: null } },
  ];
  const preview = holdAgainst(shell, incoming);
  const added = addThings(
    shell,
    incoming,
    preview,
    choice([incomingKey('item', 'cold')], { dating: 'shift' }),
  );
  expect(added.after.items.find(({ ref }) => ref === 'cold')?.due).toBe('2025-09-05T23:59:59');
  expect(added.unmoved).toEqual(['Cold water']);
});

test('what a module hides stays hidden where that module does not come', () => {
  const shell = evening();
  const hidden = day();
  const incoming = {
    ...hidden,
    items: hidden.items.map((item) => (item.ref === 'd3' ? { ...item, shown: false } : item)),
  };
  const preview = holdAgainst(shell, incoming);
  const shownOf = (chosen: readonly string[]) =>
    addThings(shell, incoming, preview, choice(chosen)).after.items.find(({ ref }) => ref === 'rating')
      ?.shown;
  expect(shownOf([incomingKey('item', 'rating')])).toBe(false);
  expect(shownOf([incomingKey('item', 'd3'), incomingKey('item', 'rating')])).toBeNull();
});

test('a module that stands there is used, and one of which nothing was chosen does not come', () => {
  const [shell, incoming] = [evening(), day()];
  const preview = holdAgainst(shell, incoming);
  const added = (chosen: readonly string[], more: Partial<AddChoice> = {}) =>
    addThings(
      shell,
      incoming,
      preview,
      choice(
        chosen.map((ref) => incomingKey('item', ref)),
        more,
      ),
    );
  const week2 = added(['w2', 'cold'], { landing: { where: 'end' } });
  expect(week2.added.item.map(({ title }) => title)).toEqual(['Cold water']);
  expect(week2.after.items.find(({ ref }) => ref === 'cold')?.parent).toBe('w2');
  expect(added(['d3']).edits).toEqual([]);
  const nested = {
    ...incoming,
    items: incoming.items.map((i) => (i.ref === 'd3h' ? { ...i, kind: 'module' as const } : i)),
  };
  const both = choice(['d3', 'd3h'].map((ref) => incomingKey('item', ref)));
  const taken = addThings(shell, nested, holdAgainst(shell, nested), both).added.item;
  expect(taken.map(({ title }) => title)).toEqual(['Week 3: Stage', 'Before class']);
  expect(added(['d3', 'd3h']).added.item.map(({ title }) => title)).toEqual([
    'Week 3: Stage',
    'Before class',
  ]);
});

test('ticked all the same, a double gets an identity of its own', () => {
  const shell = day();
  const preview = holdAgainst(shell, shell);
  const addition = addThings(shell, shell, preview, choice(preview.things.map((t) => t.key)));
  const refs = addition.after.items.map((i) => i.ref);
  expect(new Set(refs).size).toBe(refs.length);
  expect(new Set(addition.after.contents.map((c) => c.id)).size).toBe(addition.after.contents.length);
  expect(new Set(addition.after.files.map((f) => f.path)).size).toBe(addition.after.files.length);
  // Modules that stand there already are used as they stand.
  const modules = shell.items.filter(({ kind }) => kind === 'module').length;
  expect(addition.after.items.length).toBe(shell.items.length * 2 - modules);
  expect(linkGraphOf(addition.after).broken).toEqual([]);
});

test('a link to what was not taken is told', () => {
  const shell = new ShellComposer({ ref: shellRef('bare'), title: 'bare' }).shell();
  const incoming = day();
  const addition = addThings(
    shell,
    incoming,
    holdAgainst(shell, incoming),
    choice([incomingKey('item', 'cold')]),
  );
  expect(addition.loose).toEqual([{ from: 'week2/cold.html', asked: 'page/r1.html' }]);
});

const withColumn = (item: Shell['items'][number]) =>
  item.ref === 'rating' ? { ...item, gradeColumn: 'col-1' } : item;
