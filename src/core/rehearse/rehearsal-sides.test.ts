import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { gradeCategoryRef, gradeColumnRef } from '@/core/refs/refs';
import type { Shell } from '@/core/shell/model';
import { hand } from '@/core/plan/__tests__/written-plans';
import { stepsOf } from '@/core/plan/__tests__/written-plans';
import { comebacksOf } from '@/core/plan/comebacks';
import { gradeWeights, notReaching } from '@/core/plan/grades-after';
import { outlineDifference } from '@/core/plan/outline-difference';
import { runPlan } from '@/core/plan/run-plan';
import { workOrderOf } from '@/core/plan/work-order';
import type { WrittenStep } from '@/core/plan/written-step';

function shell(): Shell {
  const c = new ShellComposer();
  c.module('Week 1', { ref: 'w1' });
  c.page('Reading', '<p>read</p>', { ref: 'a', parent: 'w1' });
  c.page('Old reading', '<p>old</p>', { ref: 'b', parent: 'w1' });
  c.module('Week 2', { ref: 'w2' });
  c.assignment('Report', '<p>write</p>', 10, { ref: 't', parent: 'w2', points: 10, studentWork: 2 });
  c.assignment('Caught', '<p>write</p>', 10, {
    ref: 'u',
    parent: 'w2',
    points: 5,
    due: '2027-02-01T23:59:59' as never,
    gradeCategory: 'Imported items',
  });
  return {
    ...c.shell(),
    gradeCategories: [{ ref: gradeCategoryRef('k'), title: 'Reports', weight: 0.4, extra: {} }],
    gradeColumns: [
      {
        ref: gradeColumnRef('c'),
        title: 'R 1',
        category: gradeCategoryRef('k'),
        points: 10,
        results: 0,
        extra: {},
      },
    ],
  };
}
const ran = (...written: WrittenStep[]) => runPlan(shell(), stepsOf(shell(), written));

test('what goes is marked by how it can come back', () => {
  const { before, after } = ran(hand('delete', ['b', 't', 'k', 'c'], { withStudentWork: 1 }));
  const titles = (of: readonly { readonly title: string }[]) => of.map(({ title }) => title);
  const here = comebacksOf(before, after);
  expect(titles(here.returns)).toEqual(['Old reading', 'Reports', 'R 1']);
  expect(titles(here.forGood)).toEqual(['Report']);
  const there = comebacksOf({ ...before, isLive: true }, after);
  expect(there.returns).toEqual([]);
  expect(titles(there.asNew)).toEqual(['Old reading', 'Reports', 'R 1']);
});

test('grade categories are told before and after, with their columns', () => {
  const { before, after } = ran(hand('delete', ['k', 'c']));
  expect(gradeWeights(before, after)).toEqual([
    { title: 'Reports', before: { weight: 40, columns: 1 }, after: null },
  ]);
});

test('weights of 60, 20 and 20 are percent as they are, and shares of one become percent', () => {
  const weighted = (weights: readonly number[]) => {
    const categories = weights.map((weight, n) => ({
      ref: gradeCategoryRef(`c${n}`),
      title: `C ${n}`,
      weight,
      extra: {},
    }));
    const one = { ...shell(), gradeCategories: categories };
    return gradeWeights(one, one).map(({ after }) => after?.weight);
  };
  expect(weighted([60, 20, 20])).toEqual([60, 20, 20]);
  expect(weighted([0.6, 0.2, 0.2])).toEqual([60, 20, 20]);
});

test('graded work without a date or in a catch-all category would not reach the records system', () => {
  expect(notReaching(shell(), ['imported'])).toEqual([
    { ref: 't', title: 'Report', why: 'no due date' },
    { ref: 'u', title: 'Caught', why: 'a catch-all category' },
  ]);
  expect(notReaching(shell(), []).map(({ ref }) => ref)).toEqual(['t']);
});

test('the outline is told before and after: what goes stands where it was, what moved where it is', () => {
  const { before, after } = ran(
    hand('delete', ['b']),
    hand('move', ['a'], { into: 'w2', before: null }),
    hand('rename', ['w1'], { titles: { w1: 'Week one' } }),
    hand('add', ['n'], { kind: 'module', titles: { n: 'Week 3' } }),
  );
  const lines = outlineDifference(before, after).map(({ title, depth, is, was }) => [title, depth, is, was]);
  expect(lines).toEqual(
    expect.arrayContaining([
      ['Week one', 0, 'changed', 'Week 1'],
      ['Old reading', 1, 'gone', ''],
      ['Week 2', 0, 'same', ''],
      ['Reading', 1, 'moved', ''],
      ['Week 3', 0, 'new', ''],
    ]),
  );
  expect(lines).toHaveLength(5);
  expect(outlineDifference(before, before)).toEqual([]);
});

test('a work order goes place by place in the order of the shell, and says what to look for', () => {
  const steps = stepsOf(shell(), [
    hand('hide', ['t']),
    hand('rename', ['a'], { titles: { a: 'New name' } }),
    hand('delete', ['b']),
    hand('set-points', ['u'], { points: { u: 7 } }),
    hand('set-facts', [shell().ref], { title: 'Other' }),
  ]);
  const order = workOrderOf(shell(), steps);
  expect(order.map(({ place, lines }) => [place.join(' / '), lines.map(({ what }) => what)])).toEqual([
    ['', ['Change what the shell says of itself: title “Other”.']],
    ['Week 1', ['Rename “Reading” to “New name”.', 'Delete “Old reading”.']],
    ['Week 2', ['Hide “Report” from students.', 'Set the points of “Caught” to 7.']],
  ]);
  expect(order.flatMap(({ lines }) => lines).every(({ lookFor }) => lookFor.endsWith('.'))).toBe(true);
});
