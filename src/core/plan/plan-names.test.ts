import { blankItem } from '@/core/shell/blank-item';
import { emptyShell } from '@/core/shell/empty-shell';
import type { Item, Shell } from '@/core/shell/model';
import { itemRef } from '@/core/refs/refs';
import { namesInSteps, stepsForShell } from './plan-names';
import type { WrittenStep } from './written-step';

const item = (ref: string, title: string, parent: string | null = null): Item => ({
  ...blankItem,
  ref: itemRef(ref),
  title,
  kind: parent === null ? 'module' : 'page',
  placed: true,
  parent: parent === null ? null : itemRef(parent),
});
const shellOf = (...items: Item[]): Shell => ({ ...emptyShell, items });
const old = shellOf(
  item('w1', 'Week 1'),
  item('a', 'Overview', 'w1'),
  item('w2', 'Week 2'),
  item('b', 'Overview', 'w2'),
);
const other = shellOf(
  item('x1', 'Week 1'),
  item('xa', 'Overview', 'x1'),
  item('x2', 'Week 2'),
  item('xb', 'Overview', 'x2'),
);
const step = (action: string, targets: string[], params: object = {}): WrittenStep => ({
  action,
  targets,
  params: params as WrittenStep['params'],
  from: 'hand',
});

const steps = [
  step('rename', ['a'], { titles: { a: 'At a glance' } }),
  step('move', ['b'], { into: 'w1', before: 'a' }),
];

test('a plan names what its steps are about, targets and parameters alike', () => {
  expect(namesInSteps(old, steps)).toEqual({
    a: { title: 'Overview', place: ['Week 1'] },
    b: { title: 'Overview', place: ['Week 2'] },
    w1: { title: 'Week 1', place: [] },
  });
});

test('on another shell things are found by title and place', () => {
  const found = stepsForShell(other, steps, namesInSteps(old, steps));
  expect(found.missing).toEqual([]);
  expect(found.steps).toEqual([
    step('rename', ['xa'], { titles: { xa: 'At a glance' } }),
    step('move', ['xb'], { into: 'x1', before: 'xa' }),
  ]);
});

test('where several are called so, or none, nothing is guessed', () => {
  const flat = shellOf(item('q', 'Week 1'), item('r', 'Overview', 'q'), item('s', 'Overview', 'q'));
  const found = stepsForShell(flat, steps, namesInSteps(old, steps));
  expect(found.missing).toEqual(['Overview']);
  expect(found.steps[1]?.params).toEqual({ into: 'q', before: 'a' });
});

test('the shell that a plan was made for keeps its refs', () => {
  expect(stepsForShell(old, steps, namesInSteps(old, steps))).toEqual({ steps, missing: [] });
});
