import { spawnSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import type { Shell } from '@/core/shell/model';
import { gradeCategoryRef, gradeColumnRef, itemRef } from '@/core/refs/refs';
import { hand } from '@/core/plan/__tests__/written-plans';
import { runPlan } from '@/core/plan/run-plan';
import { waysOut } from '@/core/plan/ways-out';
import { makeStep, type WrittenStep } from '@/core/plan/written-step';

/** A shell in which every guard has something to hold. */
function guarded(): Shell {
  const c = new ShellComposer();
  c.module('Week 1', { ref: 'm' });
  c.page('Inside', '<p>inside</p>', { ref: 'in', parent: 'm' });
  c.page('Home', '<p>home</p>', { ref: 'home' });
  c.page('Other home', '<p>home, too</p>', { ref: 'home2' });
  c.assignment('Report', '<p>write</p>', 10, { ref: 'work', studentWork: 3 });
  c.page('First', '<p>first</p>', { ref: 'first' });
  c.page('Second', '<p>second</p>', { ref: 'second', requires: [itemRef('first')] });
  c.file('files/map.pdf', 'a map');
  c.page('Uses the map', '<a href="../files/map.pdf">map</a>', { ref: 'uses', path: 'pages/uses.html' });
  c.page('Quiz answer key', '<p>a, b</p>', { ref: 'key', shown: false });
  c.bank('pool', [{ stem: 'Deep?', answers: ['a', 'b'], right: 0, points: 1 }], 'banks/pool.xml');
  const shell = c.shell();
  return {
    ...shell,
    homePages: [
      { ref: itemRef('home'), title: 'Home', inUse: true },
      { ref: itemRef('home2'), title: 'Other home', inUse: false },
    ],
    gradeCategories: [{ ref: gradeCategoryRef('k'), title: 'Reports', weight: 1, extra: {} }],
    gradeColumns: [
      {
        ref: gradeColumnRef('c'),
        title: 'Report 1',
        category: gradeCategoryRef('k'),
        points: 10,
        results: 5,
        extra: {},
      },
    ],
  };
}

/** Each guard, a step that would break it, and what is said. */
const attempts: readonly (readonly [guard: string, step: WrittenStep, says: RegExp])[] = [
  ['the home page in use', hand('delete', ['home']), /home page in use; set another one first/],
  ['student work', hand('delete', ['work']), /3 pieces of student work; hide it instead/],
  ['a wrong number of student work', hand('delete', ['work'], { withStudentWork: 2 }), /student work/],
  ['student work led elsewhere', hand('delete', ['work'], { relink: { work: 'uses' } }), /student work/],
  ['a module with content', hand('delete', ['m']), /still holds “Inside”/],
  ['a requirement', hand('delete', ['first']), /“Second” requires “First” first/],
  ['links to a file', hand('delete', ['files/map.pdf']), /is used by “Uses the map”/],
  ['a category with columns', hand('delete', ['k']), /still has grade columns/],
  ['a column with results', hand('delete', ['c']), /has 5 results/],
  ['an answer key', hand('show', ['key']), /holds answers/],
  ['into itself', hand('move', ['m'], { into: 'm', before: null }), /itself/],
  ['a reset over student work', hand('reset-area', ['items'], { withStudentWork: 9 }), /student work/],
];

const outcomeOf = (shell: Shell, written: WrittenStep) => {
  const step = makeStep(shell, written);
  if (!step.ok) return { outcomes: ['refused'], reasons: [step.trouble.message] };
  const { results } = runPlan(shell, [step.value]);
  return {
    outcomes: results.map(({ outcome }) => outcome),
    reasons: results.map(({ reason }) => reason ?? ''),
  };
};

test.each(attempts)('%s is not broken by an action', (_, step, says) => {
  const { outcomes, reasons } = outcomeOf(guarded(), step);
  expect(outcomes.some((outcome) => outcome === 'blocked' || outcome === 'refused')).toBe(true);
  expect(reasons.join(' ')).toMatch(says);
});

test('on a live host, work of which nobody told counts as there while students are enrolled', () => {
  const shell = guarded();
  const unknown = shell.items.map((item) => (item.ref === 'work' ? { ...item, studentWork: null } : item));
  const live: Shell = { ...shell, items: unknown, isLive: true, enrolments: { student: 12 } };
  expect(outcomeOf(live, hand('delete', ['work'])).reasons[0]).toMatch(/may have student work/);
  expect(outcomeOf({ ...live, enrolments: {} }, hand('delete', ['work'])).outcomes).toEqual(['done']);
  expect(outcomeOf({ ...live, isLive: undefined }, hand('delete', ['work'])).outcomes).toEqual(['done']);
});

test('what was confirmed by its number goes, and nothing more', () => {
  const confirmed = hand('delete', ['work', 'key'], { withStudentWork: 1 });
  expect(outcomeOf(guarded(), confirmed).outcomes).toEqual(['done']);
});

test('every way out that is offered can be done, and the usual ones are', () => {
  const shell = guarded();
  const offered = (written: WrittenStep) => {
    const step = makeStep(shell, written);
    if (!step.ok) throw new Error(step.trouble.message);
    const [result] = runPlan(shell, [step.value]).results;
    if (!result) throw new Error('nothing came of it');
    return waysOut(shell, result, written.targets[0] ?? '', { keyMarks: [] }).map(({ label }) => label);
  };
  expect(offered(hand('delete', ['home']))).toEqual(
    expect.arrayContaining(['Set “Other home” as home page, then delete', 'Hide it instead']),
  );
  expect(offered(hand('delete', ['m']))).toEqual(
    expect.arrayContaining([
      'Delete what it holds, too (1)',
      'Lift out what it holds, and the emptied module goes',
    ]),
  );
  expect(offered(hand('delete', ['work']))).toEqual([
    'Hide it instead',
    'Set it aside instead',
    'Delete “Report” with its student work, for good',
  ]);
  expect(offered(hand('delete', ['files/map.pdf']))).toEqual([
    'Take the links out',
    'Leave the links broken',
  ]);
});

/** The command line, as it is built. */
const cli = (...given: string[]) =>
  spawnSync(process.execPath, [join(process.cwd(), 'dist/cli.mjs'), ...given], { encoding: 'utf8' });

test('neither the command line nor a plan file breaks a guard', async () => {
  const { DataFolder } = await import('./data-folder');
  const data = new DataFolder();
  try {
    const composer = new ShellComposer();
    composer.module('Week 1', { ref: 'm' });
    composer.page('Inside', '<p>inside</p>', { ref: 'in', parent: 'm' });
    composer.assignment('Report', '<p>write</p>', 10, { ref: 'work', studentWork: 3 });
    composer.file('files/map.pdf', 'a map');
    composer.page('Uses the map', '<a href="../files/map.pdf">map</a>', {
      ref: 'uses',
      path: 'pages/uses.html',
    });
    const pack = join(data.folder, 'guarded.imscc');
    await composer.write(pack);
    const status = join(data.folder, 'status.csv');
    writeFileSync(status, writeStatusSheet(composer.shell()));
    const steps = attempts
      .filter(([guard]) => /module|student work$|links/.test(guard))
      .map(([, step]) => ({ ...step, targets: [...step.targets] }))
      .filter(({ targets }) => targets.every((ref) => ['m', 'work', 'files/map.pdf'].includes(ref)));
    expect(steps.length).toBeGreaterThanOrEqual(3);
    const safe = join(data.folder, 'safe');
    expect(cli('clean', pack, '--status', status, '--accept', 'safe', '--out-dir', safe).status).toBe(0);
    const { base } = JSON.parse(readFileSync(join(safe, 'plan.json'), 'utf8')) as { base: string };
    const plan = join(data.folder, 'plan.json');
    writeFileSync(plan, JSON.stringify({ schema: 'currycomb.plan/1', base, steps }));
    const out = join(data.folder, 'out');
    const run = cli('clean', pack, '--status', status, '--plan', plan, '--out-dir', out);
    expect(`${run.stdout}${run.stderr}`).toMatch(/student work/);
    expect(`${run.stdout}${run.stderr}`).toMatch(/still holds/);
    expect(run.status).not.toBe(0);
  } finally {
    await data.close();
  }
});
