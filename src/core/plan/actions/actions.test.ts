import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import type { Shell } from '@/core/shell/model';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { linkGraphOf } from '@/core/links/graph';
import { hand, runWritten, stepsOf } from '../__tests__/written-plans';
import { actionOf } from '../step';
import { makeStep, writeStep } from '../written-step';
import { phases } from '@/core/plan/action/action';
import { actionNames, actions } from './registry';

/** Files beside the actions that more than one of them uses. */
const shared = new Set([
  'registry',
  'in-each-body',
  'module-around',
  'new-ref',
  'place-params',
  'switch-shown',
]);

test('every action’s file is in the registry under its name, sorted, and says all there is to say', () => {
  const files = readdirSync(join(process.cwd(), 'src/core/plan/actions'))
    .filter((name) => name.endsWith('.ts') && !name.includes('.test.'))
    .map((name) => name.slice(0, -3))
    .filter((name) => !shared.has(name));
  expect(actionNames).toEqual(files.sort());
  for (const name of actionNames) {
    const action = actions[name];
    expect(action.name).toBe(name);
    expect(phases).toContain(action.phase);
    expect([name, Object.isFrozen(action)]).toEqual([name, true]);
    for (const words of [action.label, action.nothing, action.only]) expect(words).not.toBe('');
  }
});

const body = (shell: Shell, ref: string) => {
  const id = shell.items.find((i) => i.ref === ref)?.content;
  return shell.contents.find((c) => c.id === id)?.texts ?? [];
};

test.each(actionNames)(
  '%s has its words: of the button, in tables, and where it does nothing or can’t be done',
  (name) => {
    const { label, title, nothing, only, on, creates } = actionOf(name);
    for (const words of [label, title]) expect(words).toMatch(/^\p{Lu}[\p{L} -]+$/u);
    for (const words of [nothing, only]) expect(words).toMatch(/^[^.\n]{5,}[^.\n]$/);
    expect(on.length > 0 || creates === true).toBe(true);
  },
);

describe('what a step says is about its targets and nothing else', () => {
  const c = new ShellComposer();
  c.page('One', '<p>1</p>', { ref: 'a' });
  c.page('Two', '<p>2</p>', { ref: 'b' });
  const shell = c.shell();
  const refused = (action: string, targets: string[], params: Record<string, unknown>) => {
    const result = makeStep(shell, hand(action, targets, params));
    return result.ok ? '' : result.trouble.message;
  };
  test.each([
    ['rename', ['a'], { titles: { a: 'x', b: 'y' } }],
    ['re-date', ['a'], { dates: { a: {}, b: {} } }],
    ['set-category', ['a'], { categories: { a: 'k', b: 'k' } }],
    ['drop-requirement', ['a'], { requirements: { a: [], b: [] } }],
    ['exclude-occurrence', ['a'], { occurrences: { a: [], b: [] } }],
    ['merge', ['a'], { with: { a: 'm', b: 'm' } }],
    ['delete', ['a'], { relink: { b: 'a' } }],
  ])('%s', (action, targets, params) => {
    expect(refused(action, targets, params)).toMatch(/is about “b”, which is not among its targets/);
  });
  test.each([
    ['explode', ['a'], {}, /There is no action “explode”; choose from add, clear-dates/],
    ['rename', ['a'], {}, /The parameters of “rename” do not fit: titles: /],
    ['hide', ['a'], { shown: true }, /The parameters of “hide” do not fit/],
    ['rename', ['a', 'b'], { titles: { a: 'x' } }, /say nothing about its target “b”/],
    ['re-date', ['a'], { dates: { a: { due: 'soon' } } }, /write a moment as/],
  ])('%s with what it can’t take', (action, targets, params, message) => {
    expect(refused(action, targets, params)).toMatch(message);
  });
});

describe('refs are stable', () => {
  test('what was placed is renamed, hidden and deleted by the ref that it had outside', () => {
    const c = new ShellComposer();
    c.module('M', { ref: 'm' });
    c.page('Out', '<p>x</p>', { outside: true, path: 'out.html' });
    const place = hand('place', ['resource:r1'], { places: { 'resource:r1': 'm' } });
    const rename = hand('rename', ['resource:r1'], { titles: { 'resource:r1': 'In' } });
    const run = runWritten(c.shell(), [place, rename]);
    expect(run.results.map((r) => r.outcome)).toEqual(['done', 'done']);
    expect(run.after.items.map((i) => [i.ref, i.title, i.parent])).toEqual([
      ['m', 'M', null],
      ['resource:r1', 'In', 'm'],
    ]);
    const gone = runWritten(run.after, [hand('delete', ['resource:r1'])]);
    expect(gone.after.items.map((i) => i.ref)).toEqual(['m']);
  });
});

describe('addresses go with the element or attribute that the parser found', () => {
  test.each([
    ['<img src="gone.png" alt="pH > 7"> stays', ' stays'],
    ['<a href="gone.png" title="a < b">words</a>', '<a title="a < b">words</a>'],
    ['<img srcset="gone.png 1x, b.png 2x" src="b.png">', '<img srcset=" b.png 2x" src="b.png">'],
    ['<style>@import "gone.png";p{}</style>x', '<style>p{}</style>x'],
  ])('%s', (html, left) => {
    const c = new ShellComposer();
    c.page('P', html, { ref: 'p', path: 'p.html' });
    const run = runWritten(c.shell(), [hand('unlink', ['p'], { drop: ['gone.png'] })]);
    expect(run.results[0]?.outcome).toBe('done');
    expect(body(run.after, 'p')).toEqual([left]);
  });
});

describe('students never come to see answers by a plan', () => {
  const shell = () => {
    const c = new ShellComposer();
    c.module('Hidden', { ref: 'm', shown: false });
    c.page('Quiz 1 answer key', '<p>k</p>', { ref: 'k', parent: 'm' });
    c.page('Quiz 1 MUSTER', '<p>k</p>', { ref: 'x', parent: 'm' });
    c.module('Open', { ref: 'o' });
    return c.shell();
  };
  test.each([
    ['showing the module around it', hand('show', ['m'])],
    ['moving it into an open one', hand('move', ['k'], { into: 'o' })],
    ['lifting it out', hand('lift-out', ['k'])],
    ['merging its module', hand('merge', ['m'], { with: { m: 'o' } })],
  ])('%s', (_, step) => {
    const run = runWritten(shell(), [step]);
    expect(run.results[0]).toMatchObject({ outcome: 'blocked', reason: expect.stringContaining('answers') });
    expect(run.changes).toEqual([]);
  });
  test('the house rules’ own marks count', () => {
    const move = [hand('move', ['x'], { into: 'o' })];
    expect(runWritten(shell(), move).results[0]?.outcome).toBe('done');
    expect(runWritten(shell(), move, { keyMarks: ['MUSTER'] }).results[0]?.outcome).toBe('blocked');
  });
  test('renamed first, it may be shown', () => {
    const run = runWritten(shell(), [
      hand('rename', ['k'], { titles: { k: 'Quiz 1, discussed' } }),
      hand('show', ['m']),
    ]);
    expect(run.results.map((r) => r.outcome)).toEqual(['done', 'done']);
  });
});

describe('what another item requires', () => {
  const shell = () => {
    const c = new ShellComposer();
    c.page('First', '<p>1</p>', { ref: 'a' });
    c.page('First again', '<p>1</p>', { ref: 'b' });
    c.page('Then', '<p>2</p>', { ref: 'z', requires: ['a' as never] });
    return c.shell();
  };
  const requires = (s: Shell) => s.items.find((i) => i.ref === 'z')?.requires;
  test('is held back', () => {
    const run = runWritten(shell(), [hand('delete', ['a'])]);
    expect(run.results[0]?.reason).toMatch(/“Then” requires “First” first/);
  });
  test('goes where the requirement is led elsewhere, taken out, or goes along', () => {
    const led = runWritten(shell(), [hand('delete', ['a'], { relink: { a: 'b' } })]);
    expect(requires(led.after)).toEqual(['b']);
    expect(requires(runWritten(shell(), [hand('delete', ['a'], { unlink: true })]).after)).toEqual([]);
    expect(runWritten(shell(), [hand('delete', ['a', 'z'])]).after.items.map((i) => i.ref)).toEqual(['b']);
  });
});

test('two steps that say different things of one thing are told, and the first counts', () => {
  const c = new ShellComposer();
  c.page('One', '<p>1</p>', { ref: 'a' });
  const run = runWritten(c.shell(), [
    hand('rename', ['a'], { titles: { a: 'Uno' } }),
    hand('rename', ['a'], { titles: { a: 'Eins' } }),
  ]);
  expect(run.results.map((r) => [r.outcome, r.reason])).toEqual([
    ['done', undefined],
    ['blocked', 'another step of this plan changes it, too; take one of the two out of the plan'],
  ]);
});

test('a shift of dates where there are none says so before', () => {
  const c = new ShellComposer();
  c.page('One', '<p>1</p>', { ref: 'a' });
  expect(runWritten(c.shell(), [hand('clear-dates', ['a'])]).results).toMatchObject([
    { outcome: 'nothing', reason: 'it has no such date' },
  ]);
});

test('setting aside makes one hidden module for staff and keeps what is in it together', () => {
  const c = new ShellComposer();
  c.module('Old', { ref: 'm' });
  c.page('Leaf', '<p>1</p>', { ref: 'l', parent: 'm' });
  c.page('Out', '<p>2</p>', { outside: true, path: 'out.html' });
  const { after } = runWritten(c.shell(), [
    hand('set-aside', ['m', 'l']),
    hand('set-aside', ['resource:r2']),
  ]);
  expect(after.items.map((i) => [i.title, i.parent, i.shown])).toEqual([
    ['Set aside (staff only)', null, false],
    ['Old', 'currycomb-set-aside', null],
    ['Leaf', 'm', null],
    ['Out', 'currycomb-set-aside', null],
  ]);
});

test('an item is repeated with a text of its own, and what hangs on it alone stays with the first', () => {
  const c = new ShellComposer();
  c.module('Week 2', { ref: 'w2' });
  c.discussion('Check in 1', '<p>How was the water?</p>', { ref: 'd', studentWork: 3, gradeColumn: null });
  const repeat = hand('repeat', ['d2'], {
    item: 'd',
    titles: { d2: 'Check in 2' },
    places: { d2: 'w2' },
    dates: { d2: { due: '2027-01-22T23:59:59' } },
  });
  const { after } = runWritten(c.shell(), [repeat]);
  const copy = after.items.find((i) => i.ref === 'd2')!;
  expect(copy).toMatchObject({
    title: 'Check in 2',
    parent: 'w2',
    due: '2027-01-22T23:59:59',
    studentWork: 0,
  });
  expect(copy.content).not.toBe(after.items.find((i) => i.ref === 'd')!.content);
  expect(body(after, 'd2')).toEqual(['<p>How was the water?</p>']);
  expect(new Set(after.entries.map((e) => e.path)).size).toBe(after.entries.length);
});

test('a sentence is replaced across its markup, escaped, and only where it stands', () => {
  const c = new ShellComposer();
  c.page('P', '<p>Due <b>12 May</b>&nbsp;2025, at noon. Late?</p><p>Due</p>', { ref: 'p' });
  const edit = (from: string, to: string) => hand('edit-text', ['p'], { sentences: { p: [{ from, to }] } });
  const { after } = runWritten(c.shell(), [edit('Due 12 May 2025, at noon.', 'Due 11 May 2027 & early.')]);
  expect(body(after, 'p')).toEqual(['<p>Due 11 May 2027 &amp; early.<b></b> Late?</p><p>Due</p>']);
  expect(runWritten(c.shell(), [edit('Late? Due', 'x')]).results[0]).toMatchObject({ outcome: 'blocked' });
});

test('the home page in use is exchanged, and the old one may go then', () => {
  const c = new ShellComposer();
  c.page('Old home', '<p>1</p>', { ref: 'a' });
  c.page('New home', '<p>2</p>', { ref: 'b' });
  const homePages = [
    { ref: 'a', title: 'Old home', inUse: true },
    { ref: 'b', title: 'New home', inUse: false },
  ] as unknown as Shell['homePages'];
  const shell = { ...c.shell(), homePages };
  const run = runWritten(shell, [hand('delete', ['a']), hand('set-home-page', ['b'])]);
  expect(run.results.map((r) => [r.step.action, r.outcome])).toEqual([
    ['set-home-page', 'done'],
    ['delete', 'done'],
  ]);
  expect(run.after.homePages).toEqual([{ ref: 'b', title: 'New home', inUse: true }]);
});

test('a reset names every thing that goes, keeps what is kept with all it needs, and takes links out', () => {
  const c = new ShellComposer();
  c.module('Week 1', { ref: 'm' });
  c.page('Kept', '<a href="two.html">two</a><img src="a.png">', { ref: 'k', parent: 'm', path: 'kept.html' });
  c.page('Two', '<p>2</p>', { ref: 't', path: 'two.html' });
  c.file('a.png', 'x');
  c.file('b.png', 'y');
  const [step] = stepsOf(c.shell(), [hand('reset-area', ['items', 'files'], { keep: ['k'] })]);
  expect(step?.targets.map((t) => t.ref)).toEqual(['t', 'b.png']);
  // A plan file names what goes, so that it says the same wherever it is used.
  expect(writeStep(step!)).toMatchObject({ targets: ['t', 'b.png'], params: { things: true } });
  const { after } = runWritten(c.shell(), [hand('reset-area', ['items', 'files'], { keep: ['k'] })]);
  expect([after.items.map((i) => i.ref), after.files.map((f) => f.path)]).toEqual([['m', 'k'], ['a.png']]);
  expect(body(after, 'k')).toEqual(['<a>two</a><img src="a.png">']);
  expect(linkGraphOf(after).broken).toEqual([]);
});

test('set-facts changes what the shell says of itself, and refuses a term that ends before it begins', () => {
  const shell = new ShellComposer().shell();
  const term = (start: string, end: string) => ({ term: { title: 'T', start, end } });
  const good = runWritten(shell, [
    hand('set-facts', [shell.ref], { code: 'X 1', ...term('2027-01-11', '2027-05-07') }),
  ]);
  expect(good.after).toMatchObject({ code: 'X 1', term: { start: '2027-01-11' } });
  const bad = runWritten(shell, [hand('set-facts', [shell.ref], term('2027-05-07', '2027-01-11'))]);
  expect(bad.results[0]?.reason).toMatch(/ends on 2027-01-11, before it begins/);
});
