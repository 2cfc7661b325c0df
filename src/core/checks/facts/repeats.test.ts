import { runs as runsOf } from '@/core/__tests__/runs';
import fc from 'fast-check';
import { contentKeys } from '@/core/compare/content-keys';
import { linkGraphOf } from '@/core/links/graph';
import { outlineOf } from '@/core/shell/outline';
import { shellRef } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { findRepeats } from './repeats';

/** Copies of a run of pages, each later one with single pages put in place of others. */
const copiedRuns = fc.record({
  length: fc.integer({ min: 10, max: 40 }),
  /** For each later copy, where pages were replaced: at most one in ten, and neither the first nor the last. */
  replaced: fc.array(fc.array(fc.integer({ min: 1, max: 8 }), { maxLength: 1 }), {
    minLength: 1,
    maxLength: 2,
  }),
});

function shellOf(length: number, replaced: readonly (readonly number[])[]) {
  const composer = new ShellComposer({ ref: shellRef('repeats') });
  [[], ...replaced].forEach((places, copy) => {
    for (let n = 0; n < length; n += 1) {
      const isReplaced = places.includes(n);
      const words = isReplaced ? `something of copy ${copy}` : `lesson ${n} as it always was`;
      composer.page(isReplaced ? `Extra ${copy}` : `Lesson ${n}`, `<p>This is ${words}.</p>`, {
        ref: `c${copy}-${n}`,
      });
    }
    composer.page(`Between ${copy}`, `<p>Nothing like it, after ${copy}.</p>`);
  });
  return composer.shell();
}

test('every copy is weighed against the one that stays: one stretch with all copies whole (property)', () => {
  fc.assert(
    fc.property(copiedRuns, ({ length, replaced }) => {
      const shell = shellOf(length, replaced);
      const keys = contentKeys(shell, linkGraphOf(shell));
      const { all } = findRepeats(shell, keys, outlineOf(shell));
      expect(all.map((copies) => copies.map((copy) => copy.map((item) => item?.ref)))).toEqual([
        [[], ...replaced].map((_, copy) => Array.from({ length }, (__, n) => `c${copy}-${n}`)),
      ]);
    }),
    { numRuns: runsOf(200, 50) },
  );
});
