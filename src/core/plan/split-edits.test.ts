import fc from 'fast-check';
import { applyEdits } from '@/core/edits/apply-edits';
import { diffShells } from '@/core/edits/diff-shells';
import { invertEdits } from '@/core/edits/edit';
import { blankItem } from '@/core/shell/blank-item';
import type { Shell } from '@/core/shell/model';
import { itemRef } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { splitEdits } from './split-edits';

const empty = new ShellComposer().shell();
const shellOf = (refs: readonly string[], title: string): Shell => ({
  ...empty,
  items: refs.map((ref) => ({ ...blankItem, ref: itemRef(ref), title })),
});
const refs = fc.uniqueArray(fc.constantFrom('a', 'b', 'c', 'd', 'e', 'f', 'g'), { minLength: 1 });

/** What goes, what comes, what stands in another order and what says something else, dealt out to three steps in any way. */
test('edits dealt out to steps lead to the same shell, and back', () => {
  fc.assert(
    fc.property(
      fc.shuffledSubarray(['a', 'b', 'c', 'd', 'e', 'f', 'g']),
      refs,
      fc.boolean(),
      fc.array(fc.nat(2), { minLength: 7, maxLength: 7 }),
      (was, now, isRenamed, steps) => {
        const [before, after] = [shellOf(was, 'Old'), shellOf(now, isRenamed ? 'New' : 'Old')];
        const causeOf = (_: string, key: string) =>
          key === '' ? [0, 1, 2] : [steps['abcdefg'.indexOf(key)] ?? 0];
        const dealt = splitEdits(before, after, diffShells(before, after), causeOf);
        const edits = dealt.flatMap((part) => part.edits);
        expect(applyEdits(before, edits)).toEqual(after);
        expect(applyEdits(after, invertEdits(edits))).toEqual(before);
      },
    ),
    { numRuns: 2_000 },
  );
});
