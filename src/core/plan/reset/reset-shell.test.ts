import type { Item, Shell } from '@/core/shell/model';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { runPlan, takeBack } from '../run-plan';
import { accountOf, resetShell, usualAreas, type ResetAccount, type ResetAsk } from './reset-shell';
import { resetAreas } from '@/core/plan/areas/areas';

/** A week with a page, an assignment and a quiz that have columns, a page outside, a picture, a hand-out, an event. */
function wetlandShell(over: (item: Item) => Partial<Item> = () => ({})): Shell {
  const composer = new ShellComposer();
  composer.module('Week 1', { ref: 'week' });
  composer.page('Birds', '<a href="outside.html">more</a><img src="heron.png">', {
    ref: 'birds',
    parent: 'week',
    path: 'birds.html',
  });
  composer.assignment('Count', '<p>count them</p>', 10, { ref: 'count', parent: 'week' });
  composer.quiz('Calls', [{ stem: 'Who calls?', answers: ['a', 'b'], right: 0, points: 1 }], {
    ref: 'calls',
    parent: 'week',
  });
  composer.page('Welcome', '<p>hello</p>', { ref: 'hello', path: 'hello.html' });
  composer.page('More', '<p>more</p>', { outside: true, path: 'outside.html' });
  composer.file('heron.png', 'picture');
  composer.file('sheet.txt', 'sheet');
  const shell = composer.shell();
  const column = (ref: string, results: number) => ({
    ref,
    title: ref,
    category: 'k',
    points: 10,
    results,
    extra: {},
  });
  return {
    ...shell,
    items: shell.items.map((item) => ({
      ...item,
      ...(item.ref === 'hello' ? { kind: 'announcement' as const } : {}),
      ...(item.ref === 'count' ? { gradeColumn: 'c-count' } : {}),
      ...over(item),
    })),
    gradeCategories: [{ ref: 'k', title: 'Work', weight: null, extra: {} }],
    gradeColumns: [column('c-count', 0), column('c-other', 0)],
  } as unknown as Shell;
}
const reset = (shell: Shell, ask: Partial<ResetAsk> = {}) => {
  const result = resetShell(shell, { areas: usualAreas, keep: [], ...ask });
  if (!result.ok) throw new Error(result.trouble.message);
  const run = runPlan(shell, result.value.step === null ? [] : [result.value.step]);
  expect(takeBack(run)).toEqual(shell);
  return {
    ...result.value,
    after: run.after,
    account: accountOf(shell, result.value, run.results, run.after),
  };
};
const counts = ({ areas }: ResetAccount) =>
  Object.fromEntries(areas.map(({ area, before, after }) => [area, `${before} → ${after}`]));

test('the usual areas are emptied, and nothing is left', () => {
  const { account, after } = reset(wetlandShell());
  expect(counts(account)).toEqual({
    items: '4 → 0',
    outside: '1 → 0',
    files: '2 → 0',
    events: '0 → 0',
    announcements: '1 → 0',
    'grade-setup': '3 → 0',
    banks: '0 → 0',
  });
  expect(account).toMatchObject({ kept: [], neededByKept: [], left: [] });
  expect([after.items, after.files, after.contents]).toEqual([[], [], []]);
});

test('what is kept keeps its files, its column and the module around it; links to what goes are taken out', () => {
  const { account, after } = reset(wetlandShell(), { keep: ['birds', 'count'] });
  expect(account.kept).toEqual(['birds', 'count']);
  expect([...account.neededByKept].sort()).toEqual(['c-count', 'heron.png', 'k', 'week']);
  expect(account.left).toEqual([]);
  expect(after.items.map(({ ref }) => ref)).toEqual(['week', 'birds', 'count']);
  expect(after.gradeColumns.map(({ ref }) => String(ref))).toEqual(['c-count']);
  expect(after.contents.find(({ href }) => href === 'birds.html')?.texts).toEqual([
    '<a>more</a><img src="heron.png">',
  ]);
});

test('a kept module is kept with its content', () => {
  const { account } = reset(wetlandShell(), { keep: ['week'] });
  expect(account.kept).toEqual(['week', 'birds', 'count', 'calls']);
  expect(counts(account)).toMatchObject({ items: '4 → 4', files: '2 → 1' });
});

test('items alone leave columns without activity, and files that nothing shows', () => {
  const { account, after } = reset(wetlandShell(), { areas: ['items'] });
  expect(counts(account)).toEqual({ items: '4 → 0' });
  expect(after.files.map(({ path }) => String(path))).toEqual(['heron.png', 'sheet.txt']);
  expect(after.gradeColumns).toHaveLength(2);
  expect(after.items.map(({ title }) => title)).toEqual(['Welcome', 'More']);
});

test('grade setup goes wherever it is named, also of activities that stay since their area is not named', () => {
  const { account, after } = reset(wetlandShell(), { areas: ['grade-setup'] });
  expect(counts(account)).toEqual({ 'grade-setup': '3 → 0' });
  expect(after.items).toHaveLength(6);
});

describe('student work', () => {
  test('is counted by what would go; what nobody told counts for activities while students are enrolled', () => {
    const known = wetlandShell((item) => ({ studentWork: item.ref === 'birds' ? 3 : 0 }));
    expect(reset(known).work).toEqual(['birds']);
    expect(reset(known, { keep: ['birds'] }).work).toEqual([]);
    const unknown = { ...wetlandShell(), enrolments: { student: 20, teacher: 1 } };
    expect(reset(unknown).work).toEqual(['count', 'calls']);
    expect(reset(wetlandShell()).work).toEqual([]);
    const results = {
      ...wetlandShell(),
      gradeColumns: wetlandShell().gradeColumns.map((c) => ({ ...c, results: 5 })),
    };
    expect(reset(results).work).toEqual(['c-count', 'c-other']);
    expect(reset(results, { areas: ['files', 'events'] }).work).toEqual([]);
  });

  test('goes for good where its number is told, and marks its area', () => {
    const shell = wetlandShell((item) => ({ studentWork: item.ref === 'count' ? 12 : 0 }));
    const { account } = reset(shell);
    expect(
      account.areas.filter(({ returns }) => returns === 'gone for good').map(({ area }) => area),
    ).toEqual(['items']);
    expect(account.left).toEqual([]);
  });

  test('holds its thing where another number is told', () => {
    const shell = wetlandShell((item) => ({ studentWork: item.ref === 'count' ? 12 : 0 }));
    const { step } = reset(shell);
    if (step?.action !== 'reset-area') throw new Error('no step');
    const targets = step.targets.map((target) => ({
      ...target,
      sets: { ...target.sets, withStudentWork: 2 },
    }));
    const run = runPlan(shell, [{ ...step, targets }]);
    expect(
      run.results.filter(({ outcome }) => outcome === 'blocked').flatMap(({ titles }) => titles),
    ).toEqual(['Week 1', 'Count']);
  });
});

test('the home page in use stays, with its reason', () => {
  const shell = wetlandShell((item) =>
    item.ref === 'birds' ? { kind: 'home-page', placed: false, parent: null } : {},
  );
  const withHome = {
    ...shell,
    homePages: [{ ref: 'birds', title: 'Birds', inUse: true }],
  } as unknown as Shell;
  const { account } = reset(withHome, { areas: resetAreas });
  expect(account.left).toEqual([
    { ref: 'birds', title: 'Birds', why: expect.stringMatching(/is the home page in use/) as string },
  ]);
});

test('what is to be kept must be there', () => {
  expect(resetShell(wetlandShell(), { areas: usualAreas, keep: ['nobody'] })).toMatchObject({
    ok: false,
    trouble: { code: 'reset-refused' },
  });
});
