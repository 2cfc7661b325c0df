import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { makeSteps } from '@/core/plan/make-steps';
import { runPlan, takeBack } from '@/core/plan/run-plan';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { blankItem } from '@/core/shell/blank-item';
import { emptyShell } from '@/core/shell/empty-shell';
import type { Item, ItemKind, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { contentId, itemRef } from '@/core/refs/refs';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import type { Gesture } from './gesture';
import { mergeModules, repeatThroughTerm, weekModules, wrapInModule } from './module-gestures';
import { placeByNumber, placeFiles, placeFilesByNumber } from './place-by-number';
import { sourceRanks } from './source-ranks';
import { indent, moveBeside, moveByOne, outdent, unwrapSingles } from './move-gestures';
import { countOutOfOrder, numberAnew, sortSiblings } from './order-gestures';
import { renameByPattern, replaceInTitles, titleBy } from './rename-pattern';

const rules = defaultHouseRules(allChecks);

/** A shell out of lines: two spaces a level; `#` before a module, `-` before what stands outside. */
function shellOf(...lines: readonly string[]): Shell {
  const open: Item[] = [];
  const items = lines.map((line): Item => {
    const depth = (line.length - line.trimStart().length) / 2;
    const [mark = ''] = line.trim();
    const title = line.trim().replace(/^[#-] /, '');
    const kind: ItemKind = mark === '#' ? 'module' : 'page';
    const parent = depth === 0 ? null : (open[depth - 1]?.ref ?? null);
    const ref = mark === '-' ? `resource:${refOf(title)}` : refOf(title);
    const item = {
      ...blankItem,
      ref: itemRef(ref),
      kind,
      title,
      placed: mark !== '-',
      parent,
      content: mark === '-' ? contentId(ref) : null,
    };
    open[depth] = item;
    return item;
  });
  return { ...emptyShell, items };
}
const refOf = (title: string): string => title.toLowerCase().replace(/[^a-z0-9]+/g, '-');
const refs = (...titles: string[]) => new Set(titles.map(refOf));

/** The outline after a gesture, as lines; every step of it must have been done. */
function after(shell: Shell, gesture: Gesture): string[] {
  const steps = makeSteps(
    shell,
    gesture.map((step) => ({ ...step, from: 'hand' })),
  );
  if (!steps.ok) throw new Error(steps.trouble.message);
  const run = runPlan(shell, steps.value, rules);
  expect(run.results.filter((result) => result.outcome !== 'done')).toEqual([]);
  const outline = outlineOf(run.after);
  return run.after.items.map((item) => {
    const mark = item.kind === 'module' ? '# ' : '';
    return `${'  '.repeat(outline.ancestors(item).length)}${item.placed ? '' : '- '}${mark}${item.title}`;
  });
}

const weeks = () =>
  shellOf(
    '# Week 1',
    '  A',
    '  B',
    '# Week 10',
    '  C',
    '# Week 2',
    '  D',
    '- Week 2 slides',
    '- Notes, Week 10',
  );

test('before, after and inside a neighbour', () => {
  const shell = shellOf('# M', '  A', '  B', '# N', 'C');
  expect(after(shell, moveBeside(shell, refs('C'), refOf('A'), 'before'))).toEqual([
    '# M',
    '  C',
    '  A',
    '  B',
    '# N',
  ]);
  expect(after(shell, moveBeside(shell, refs('A', 'B'), refOf('C'), 'after'))).toEqual([
    '# M',
    '# N',
    'C',
    'A',
    'B',
  ]);
  expect(after(shell, moveBeside(shell, refs('M', 'A'), refOf('N'), 'inside'))).toEqual([
    '# N',
    '  # M',
    '    A',
    '    B',
    'C',
  ]);
  expect(moveBeside(shell, refs('A'), refOf('C'), 'inside')).toEqual([]);
  expect(moveBeside(shell, refs('A'), refOf('A'), 'before')).toEqual([]);
});

test('up, down, into and out of a module by key', () => {
  const shell = shellOf('# M', '  A', 'B', 'C');
  expect(after(shell, moveByOne(shell, refs('C'), false))).toEqual(['# M', '  A', 'C', 'B']);
  expect(after(shell, moveByOne(shell, refs('M'), true))).toEqual(['B', '# M', '  A', 'C']);
  expect(moveByOne(shell, refs('C'), true)).toEqual([]);
  expect(after(shell, indent(shell, refs('B', 'C')))).toEqual(['# M', '  A', '  B', '  C']);
  expect(indent(shell, refs('C'))).toEqual([]);
  expect(after(shell, outdent(shell, refs('A')))).toEqual(['# M', 'A', 'B', 'C']);
  expect(outdent(shell, refs('B'))).toEqual([]);
});

test('weeks that the alphabet sorted stand in the order of their numbers again', () => {
  const shell = weeks();
  expect(countOutOfOrder(shell)).toEqual({ out: 1, of: 3 });
  expect(after(shell, sortSiblings(shell, new Set(), 'number')).slice(0, 5)).toEqual([
    '# Week 1',
    '  A',
    '  B',
    '# Week 2',
    '  D',
  ]);
  const inside = shellOf('# M', '  Part 10', '  Part 9');
  expect(after(inside, sortSiblings(inside, refs('M'), 'number'))).toEqual(['# M', '  Part 9', '  Part 10']);
  expect(sortSiblings(shellOf('# Week 1', '# Week 2'), new Set(), 'number')).toEqual([]);
});

test('the order in which things were made', () => {
  const shell = shellOf('B', 'A');
  const items = shell.items.map((item, n) => ({
    ...item,
    created: `2025-08-2${9 - n}T08:00:00` as LocalDateTime,
  }));
  const dated = { ...shell, items: items };
  expect(after(dated, sortSiblings(dated, refs('A', 'B'), 'making'))).toEqual(['A', 'B']);
});

test('wrapped, merged, unwrapped', () => {
  const shell = shellOf('A', 'B', 'C');
  expect(after(shell, wrapInModule(shell, refs('B', 'C'), 'Lab'))).toEqual(['A', '# Lab', '  B', '  C']);
  expect(wrapInModule(shell, refs('B'), '  ')).toEqual([]);
  const modules = weeks();
  expect(after(modules, mergeModules(modules, refs('Week 1', 'Week 2')))).toContain('  D');
  expect(after(modules, mergeModules(modules, refs('Week 1', 'Week 2')))).not.toContain('# Week 2');
  const single = shellOf('# M', '  A', '# N', '  B', '  C');
  expect(after(single, unwrapSingles(single, refs('M', 'N')))).toEqual(['A', '# N', '  B', '  C']);
});

test('what is wrapped after it was moved comes out as it was shown', () => {
  const shell = shellOf('# M', '  A', 'B');
  const first = moveBeside(shell, refs('B'), refOf('A'), 'before');
  const moved = shellOf('# M', '  B', '  A');
  const second = wrapInModule(moved, refs('B', 'A'), 'Lab');
  expect(after(shell, [...first, ...second])).toEqual(['# M', '  # Lab', '    B', '    A']);
});

test('what stands outside or loose goes into the module of its number', () => {
  const shell = weeks();
  expect(after(shell, placeByNumber(shell, new Set()))).toEqual([
    '# Week 1',
    '  A',
    '  B',
    '# Week 10',
    '  C',
    '  Notes, Week 10',
    '# Week 2',
    '  D',
    '  Week 2 slides',
  ]);
  const loose = shellOf('# Week 1', 'Week 1 reading', 'Welcome');
  expect(after(loose, placeByNumber(loose, new Set()))).toEqual(['# Week 1', '  Week 1 reading', 'Welcome']);
});

test('what says the name of a module goes into it; a block that does not count is distributed', () => {
  const named = shellOf('# Site project', '# Week 1', 'Site project: notes', 'Unsited');
  expect(after(named, placeByNumber(named, new Set()))).toEqual([
    '# Site project',
    '  Site project: notes',
    '# Week 1',
    'Unsited',
  ]);
  const tail = shellOf(
    '# Week 1',
    '# Week 2',
    '# Brought in',
    '  Week 2 slides',
    '  Week 1 slides',
    '  Other',
  );
  expect(after(tail, placeByNumber(tail, refs('Brought in')))).toEqual([
    '# Week 1',
    '  Week 1 slides',
    '# Week 2',
    '  Week 2 slides',
    '# Brought in',
    '  Other',
  ]);
  expect(placeByNumber(tail, refs('Week 1'))).toEqual([]);
});

test('siblings stand as the source names what they show', () => {
  const shell = shellOf('# Week 1', '  Alpha', '  Beta', '  Gamma', '# Week 2', '  Delta');
  const named = ['delta', 'gamma', 'alpha', 'beta'].map((ref) => contentId(`c-${ref}`));
  const items = shell.items.map((item) => {
    const content = named.find((id) => id === contentId(`c-${item.ref}`)) ?? null;
    return { ...item, content };
  });
  const sourced: Shell = {
    ...shell,
    items,
    contents: named.map((id) => ({ id }) as Shell['contents'][number]),
  };
  const ranks = sourceRanks(sourced);
  expect(sortSiblings(shell, refs('Week 1'), 'source', ranks)[0]?.targets).toEqual([
    'gamma',
    'alpha',
    'beta',
  ]);
  expect(after(shell, sortSiblings(shell, refs('Week 1', 'Week 2'), 'source', ranks))).toEqual([
    '# Week 2',
    '  Delta',
    '# Week 1',
    '  Alpha',
    '  Beta',
    '  Gamma',
  ]);
});

test('a file gets an item in the module that its name says, or in a named one', () => {
  const composer = new ShellComposer();
  composer.module('Week 3: Stage', { ref: 'w3' });
  for (const path of ['slides/week-3-slides.pdf', 'slides/other.pdf']) composer.file(path, path);
  const shell = composer.shell();
  const files = shell.files.map(({ path }, n) => ({ path, ref: `file-${n}` }));
  const steps = placeFilesByNumber(shell, files);
  expect(after(shell, steps)).toEqual(['# Week 3: Stage', '  week 3 slides']);
  const all = [...steps, ...placeFiles(files.slice(1), null)];
  const result = makeSteps(
    shell,
    all.map((step) => ({ ...step, from: 'hand' })),
  );
  if (!result.ok) throw new Error(result.trouble.message);
  const run = runPlan(shell, result.value, rules);
  expect(run.after.items.map(({ kind, title, content }) => [kind, title, content])).toEqual([
    ['module', 'Week 3: Stage', null],
    ['file', 'week 3 slides', shell.files[0]?.content],
    ['file', 'other', shell.files[1]?.content],
  ]);
  expect(takeBack(run)).toEqual(shell);
});

test.each([
  ['that is not there', 'nowhere.pdf', /is not in this shell/],
  ['that is a part of a page', 'pictures/part.png', /is a part of something else/],
])('a file %s is held back', (_, path, reason) => {
  const composer = new ShellComposer();
  composer.page('Page', '<img src="pictures/part.png">', { ref: 'p', path: 'p.html' });
  composer.file('pictures/part.png', 'part');
  const whole = composer.shell();
  const shell = {
    ...whole,
    contents: whole.contents.map((content) =>
      content.href === 'pictures/part.png' ? { ...content, href: null } : content,
    ),
  };
  const result = makeSteps(
    shell,
    placeFiles([{ path, ref: 'f' }], null).map((s) => ({ ...s, from: 'hand' })),
  );
  if (!result.ok) throw new Error(result.trouble.message);
  expect(runPlan(shell, result.value, rules).results.map(({ reason: told }) => told)).toEqual([
    expect.stringMatching(reason),
  ]);
});

test('a module for each teaching week that has none, with its days', () => {
  const shell = {
    ...shellOf('# Week 2'),
    term: { title: '', start: '2027-01-11' as LocalDate, end: '2027-02-05' as LocalDate },
    noClassDays: ['2027-02-01' as LocalDate],
  };
  expect(after(shell, weekModules(shell, false))).toEqual(['# Week 2', '# Week 1', '# Week 3', '# Week 4']);
  const days = after(shell, weekModules(shell, true));
  expect(days.filter((line) => line === '  # Monday')).toHaveLength(2);
  expect(days.filter((line) => line === '  # Friday')).toHaveLength(3);
  expect(weekModules(shellOf('# Week 2'), false)).toEqual([]);
});

test('one item through the term', () => {
  const shell = shellOf('# Week 1', '  Log 1', '# Week 2', '# Week 3');
  expect(after(shell, repeatThroughTerm(shell, refOf('Log 1')))).toEqual([
    '# Week 1',
    '  Log 1',
    '# Week 2',
    '  Log 2',
    '# Week 3',
    '  Log 3',
  ]);
});

test('titles by a pattern, by other words, and numbered anew', () => {
  const shell = shellOf('# Week 2: Stage', '# Week 4: Flow', 'Welcome');
  expect(
    after(shell, renameByPattern(shell, refs('Week 2: Stage', 'Week 4: Flow'), 'Unit {n} – {rest}')),
  ).toEqual(['# Unit 1 – Stage', '# Unit 2 – Flow', 'Welcome']);
  expect(after(shell, numberAnew(shell, refs('Week 4: Flow'))).slice(0, 2)).toEqual([
    '# Week 1: Stage',
    '# Week 2: Flow',
  ]);
  expect(after(shell, replaceInTitles(shell, refs('Welcome'), 'Welcome', 'Start here'))).toContain(
    'Start here',
  );
  expect(titleBy('{number} {title}', 'Week 3: Stage', 1)).toBe('3 Week 3: Stage');
  expect(renameByPattern(shell, refs('Welcome'), '{number}')).toEqual([]);
});

test('five hundred items that go to one place come out as if they went one by one', () => {
  const shell = shellOf('# M', ...Array.from({ length: 40 }, (_, n) => `P${n}`), '# N', '  Q');
  const some = Array.from({ length: 20 }, (_, n) => `P${n * 2}`);
  const together = after(shell, moveBeside(shell, refs(...some), refOf('Q'), 'before'));
  const oneByOne = some.flatMap((title) => moveBeside(shell, refs(title), refOf('Q'), 'before'));
  expect(after(shell, oneByOne)).toEqual(together);
});
