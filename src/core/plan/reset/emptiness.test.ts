import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { runPlan } from '../run-plan';
import { emptinessOf } from './emptiness';
import { resetShell } from './reset-shell';

function shell() {
  const c = new ShellComposer();
  c.module('Week 1', { ref: 'm' });
  c.page('One', '<p>1</p>', { ref: 'a', parent: 'm' });
  c.page('Kept', '<p>2</p>', { ref: 'k' });
  c.file('loose.txt', 'loose');
  return c.shell();
}
const resetOf = (keep: readonly string[]) => {
  const reset = resetShell(shell(), { areas: ['items', 'files'], keep });
  if (!reset.ok || !reset.value.step) throw new Error('nothing would go');
  return reset.value.step;
};

test('all that was named is counted, before and after', () => {
  const step = resetOf([]);
  const run = runPlan(shell(), [step]);
  expect(emptinessOf(run.before, run.after, [step])).toEqual({ before: 4, left: 0, kept: 0, stuck: [] });
});

test('what was to stay is told apart from what would not go', () => {
  const step = resetOf(['k']);
  const run = runPlan(shell(), [step]);
  expect(emptinessOf(run.before, run.after, [step])).toEqual({ before: 4, left: 1, kept: 1, stuck: [] });
  expect(emptinessOf(run.before, run.before, [step])).toMatchObject({
    left: 4,
    kept: 1,
    stuck: ['m', 'a', 'loose.txt'],
  });
});

test('a plan that resets nothing says nothing of it', () => {
  expect(emptinessOf(shell(), shell(), [])).toBeNull();
});
