import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { hand, stepsOf } from './__tests__/written-plans';
import { contradictionsIn } from './contradictions';
import type { WrittenStep } from './written-step';

function shell() {
  const composer = new ShellComposer();
  composer.module('Week 1', { ref: 'w1' });
  composer.module('Week 2', { ref: 'w2' });
  for (const ref of ['a', 'b']) composer.page(ref, '<p>text</p>', { ref, parent: 'w1', path: `${ref}.html` });
  return composer.shell();
}
const between = (...steps: WrittenStep[]) => contradictionsIn(stepsOf(shell(), steps));

test.each<[string, WrittenStep[], ReturnType<typeof contradictionsIn>]>([
  [
    'hidden and shown',
    [hand('hide', ['a', 'b']), hand('show', ['b'])],
    [{ earlier: 0, later: 1, refs: ['b'], deletes: false }],
  ],
  [
    'moved to two places',
    [hand('move', ['a'], { into: 'w2' }), hand('hide', ['a']), hand('move', ['a'], { into: null })],
    [{ earlier: 0, later: 2, refs: ['a'], deletes: false }],
  ],
  [
    'renamed and deleted, whichever comes first',
    [hand('delete', ['a']), hand('rename', ['a'], { titles: { a: 'Other' } })],
    [{ earlier: 1, later: 0, refs: ['a'], deletes: true }],
  ],
])('%s', (_, steps, expected) => {
  expect(between(...steps)).toEqual(expected);
});

test('what says the same twice, or something else, is no contradiction', () => {
  const same = hand('move', ['a'], { into: 'w2' });
  expect(between(same, same, hand('hide', ['a']), hand('hide', ['b']))).toEqual([]);
});
