import { linkGraphOf } from '@/core/links/graph';
import type { Shell } from '@/core/shell/model';
import { itemRef } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { hand, runWritten } from './__tests__/written-plans';
import { countChanges } from './results';
import type { PlanRun } from './run-plan';
import { writeStep, type WrittenStep } from './written-step';

const runPlan = runWritten;
const outcomes = (run: PlanRun) =>
  run.results.map((r) => [r.step.action, r.outcome, ...writeStep(r.step).targets]);

describe('guards', () => {
  const base = () => {
    const c = new ShellComposer();
    c.module('Week', { ref: 'm' });
    c.page('One', '<a href="two.html">two</a><img src="a.png">', {
      ref: 'p1',
      parent: 'm',
      path: 'one.html',
    });
    c.page('Two', '<p>text</p>', { outside: true, path: 'two.html' });
    c.assignment('Work', '<p>do</p>', 5, { ref: 'w', parent: 'm', studentWork: 3 });
    c.page('Answer key', '<p>k</p>', { ref: 'key', shown: false });
    c.file('a.png', 'x');
    return c.shell();
  };
  test.each<[string, WrittenStep[], RegExp]>([
    ['student work', [hand('delete', ['w'])], /“Work” has 3 pieces of student work; hide it instead/],
    ['a module with content', [hand('delete', ['m'])], /“Week” still holds “One”/],
    ['a module whose child is held', [hand('delete', ['m', 'p1', 'w'])], /student work/],
    [
      'a page that others link to',
      [hand('delete', ['resource:r2'])],
      /“Two” is linked from “One”; lead those links elsewhere first/,
    ],
    ['a file that a page shows', [hand('delete', ['a.png'])], /“a.png” is used by “One”/],
    ['moving into itself', [hand('move', ['m'], { into: 'm' })], /moved into itself/],
    ['moving into a page', [hand('move', ['w'], { into: 'p1' })], /module to move into/],
    ['showing answers', [hand('show', ['key'])], /holds answers/],
    ['hiding a file', [hand('hide', ['a.png'])], /not an item/],
    [
      'leading links to what is not there',
      [hand('relink', ['p1'], { to: { p1: 'gone' } })],
      /not in this shell/,
    ],
  ])('%s', (_, steps, reason) => {
    const shell = base();
    const run = runPlan(shell, steps);
    const blocked = run.results.filter((r) => r.outcome === 'blocked');
    expect(blocked.map((b) => b.reason).join('; ')).toMatch(reason);
    expect(run.after.items.some((i) => i.ref === 'w')).toBe(true);
  });
  test('what uses a thing and goes along does not hold it', () => {
    const run = runPlan(base(), [
      hand('delete', ['a.png']),
      hand('delete', ['p1']),
      hand('delete', ['resource:r2']),
    ]);
    expect(outcomes(run).every(([, outcome]) => outcome === 'done')).toBe(true);
    expect(run.after.files).toEqual([]);
    expect(run.removed).toMatchObject({ items: 2, files: 1 });
    expect(countChanges(run.results, 'done')).toBe(3);
  });
  test('the home page in use stays', () => {
    const shell = base();
    const run = runPlan({ ...shell, homePages: [{ ref: shell.items[1]!.ref, title: 'One', inUse: true }] }, [
      hand('delete', ['p1']),
    ]);
    expect(run.results[0]).toMatchObject({
      outcome: 'blocked',
      reason: expect.stringContaining('home page in use'),
    });
  });
  test('of two equal things that each go because of the other, none goes', () => {
    const run = runPlan(base(), [
      hand('delete', ['p1'], { relink: { p1: 'resource:r2' } }),
      hand('delete', ['resource:r2'], { relink: { 'resource:r2': 'p1' } }),
    ]);
    expect(run.results.every((r) => r.outcome === 'blocked')).toBe(true);
    expect(run.changes).toEqual([]);
  });
  test('an activity takes its empty grade column along, by reference or by title; one with results stays', () => {
    const c = new ShellComposer();
    c.assignment('Lab 1', 'x', 10, { ref: 'a' });
    c.assignment('Lab 2', 'y', 10, { ref: 'b', gradeColumn: 'c2' });
    c.assignment('Lab 3', 'z', 10, { ref: 'd' });
    const column = (ref: string, title: string, results: number | null) => ({
      ref,
      title,
      category: null,
      points: 10,
      results,
      extra: {},
    });
    const shell = {
      ...c.shell(),
      gradeColumns: [
        column('c1', 'lab 1', 0),
        column('c2', 'Second', 0),
        column('c3', 'Lab 3', 4),
        column('c4', 'Other', 0),
      ] as unknown as Shell['gradeColumns'],
    };
    const run = runPlan(shell, [hand('delete', ['a', 'b', 'd'])]);
    expect(run.after.gradeColumns.map((k) => k.ref)).toEqual(['c3', 'c4']);
    expect(run.removed).toMatchObject({ items: 3, gradeColumns: 2 });
  });
  test('a category with columns stays, one without goes', () => {
    const shell = {
      ...base(),
      gradeCategories: [
        { ref: 'k1', title: 'Labs', weight: null },
        { ref: 'k2', title: 'Old', weight: 0 },
      ] as unknown as Shell['gradeCategories'],
      gradeColumns: [
        { ref: 'c1', title: 'Lab 1', category: 'k1', points: 5, results: 2 },
      ] as unknown as Shell['gradeColumns'],
    };
    expect(outcomes(runPlan(shell, [hand('delete', ['k1', 'k2', 'c1'])]))).toEqual([
      ['delete', 'blocked', 'k1'],
      ['delete', 'done', 'k2'],
      ['delete', 'blocked', 'c1'],
    ]);
  });
});

describe('relinking', () => {
  test('addresses keep query and fragment, in every place that names them', () => {
    const c = new ShellComposer();
    c.file('old/pic one.png', 'x');
    c.file('new/pic two.png', 'x');
    c.file('css/s.css', 'h1{background:url("../old/pic%20one.png")}');
    c.page(
      'P',
      `<html><body style="background:url('../old/pic one.png')"><a href='../old/pic%20one.png?a=1&amp;b=2#f'>x</a><img srcset="../old/pic%20one.png 2x"></body></html>`,
      { ref: 'p', path: 'p/p.html' },
    );
    c.discussion('D', '<img src="$IMS-CC-FILEBASE$/old/pic one.png">', { ref: 'd' });
    const run = runPlan(c.shell(), [
      hand('relink', ['old/pic one.png'], { to: { 'old/pic one.png': 'new/pic two.png' } }),
      hand('delete', ['old/pic one.png']),
    ]);
    const text = (id: string) =>
      run.after.contents.find((k) => k.id === run.after.items.find((i) => i.ref === id)!.content)!.texts[0];
    expect(text('p')).toBe(
      `<html><body style="background:url('../new/pic%20two.png')"><a href='../new/pic%20two.png?a=1&amp;b=2#f'>x</a><img srcset="../new/pic%20two.png 2x"></body></html>`,
    );
    expect(text('d')).toBe('<img src="$IMS-CC-FILEBASE$/new/pic%20two.png">');
    expect(run.after.files.find((f) => f.path === 'css/s.css')!.text).toBe(
      'h1{background:url("../new/pic%20two.png")}',
    );
    expect(run.relinked).toBe(5);
    expect(linkGraphOf(run.after).broken).toEqual([]);
    expect(run.after.files.map((f) => f.path)).not.toContain('old/pic one.png');
  });
  test('an address below a base element is spelled from there, and holds nothing back (RFC 3986, 5.1.1)', () => {
    const c = new ShellComposer();
    c.file('old/map.pdf', 'x');
    c.file('docs/map.pdf', 'x');
    c.page('P', '<html><head><base href="../old/"></head><body><a href="map.pdf#p2">x</a></body></html>', {
      ref: 'p',
      path: 'guide/p.html',
    });
    const run = runPlan(c.shell(), [
      hand('delete', ['old/map.pdf'], { relink: { 'old/map.pdf': 'docs/map.pdf' } }),
    ]);
    expect(outcomes(run)).toEqual([['delete', 'done', 'old/map.pdf']]);
    expect(run.after.contents.find((k) => k.kind === 'page')?.texts[0]).toContain(
      'href="../docs/map.pdf#p2"',
    );
    expect(linkGraphOf(run.after).broken).toEqual([]);
  });
  test('a place that goes leaves its page outside the outline while others link to it', () => {
    const c = new ShellComposer();
    c.page('One', '<a href="two.html">two</a>', { ref: 'p1', path: 'one.html' });
    c.page('Two', '<p>x</p>', { ref: 'p2', path: 'two.html' });
    const run = runPlan(c.shell(), [hand('delete', ['p2'])]);
    expect(run.after.items.map((i) => [i.ref, i.placed])).toEqual([
      ['p1', true],
      ['resource:r2', false],
    ]);
    expect(run.broken).toEqual([]);
  });
  test('pages left outside the outline require each other there, and nothing that is gone', () => {
    const c = new ShellComposer();
    c.page('Start', '<a href="two.html">two</a> <a href="three.html">three</a>', {
      ref: 'p1',
      path: 'one.html',
    });
    c.page('Two', '<p>x</p>', {
      ref: 'p2',
      path: 'two.html',
      requires: [itemRef('p3'), itemRef('gone'), itemRef('p4')],
    });
    c.page('Three', '<p>y</p>', { ref: 'p3', path: 'three.html', requires: [itemRef('p2')] });
    c.page('Four', '<p>z</p>', { ref: 'p4', path: 'four.html' });
    const run = runPlan(c.shell(), [hand('delete', ['p2', 'p3', 'p4'])]);
    expect(run.after.items.map((i) => [i.ref, i.requires])).toEqual([
      ['p1', []],
      ['resource:r2', ['resource:r3', 'gone']],
      ['resource:r3', ['resource:r2']],
    ]);
  });
});

test('moving: before a neighbour, into a module with all inside it, to the end', () => {
  const c = new ShellComposer();
  c.module('A', { ref: 'a' });
  c.page('A1', '<p>1</p>', { ref: 'a1', parent: 'a' });
  c.module('B', { ref: 'b' });
  c.page('B1', '<p>2</p>', { ref: 'b1', parent: 'b' });
  c.page('Out', '<p>3</p>', { outside: true });
  const order = (steps: WrittenStep[]) =>
    runPlan(c.shell(), steps).after.items.map((i) => (i.parent ? `${i.parent}/${i.ref}` : i.ref));
  expect(order([hand('move', ['b'], { into: null, before: 'a' })])).toEqual([
    'b',
    'b/b1',
    'a',
    'a/a1',
    'resource:r3',
  ]);
  expect(order([hand('move', ['b'], { into: 'a' })])).toEqual(['a', 'a/a1', 'a/b', 'b/b1', 'resource:r3']);
  expect(order([hand('move', ['a1'], { into: 'b', before: 'b1' })])).toEqual([
    'a',
    'b',
    'b/a1',
    'b/b1',
    'resource:r3',
  ]);
  expect(order([hand('move', ['a'], { into: null })])).toEqual(['b', 'b/b1', 'a', 'a/a1', 'resource:r3']);
  expect(outcomes(runPlan(c.shell(), [hand('move', ['b'], { into: null })]))).toEqual([
    ['move', 'nothing', 'b'],
  ]);
});
