import { makeStep } from '@/core/plan/written-step';
import { hand } from '@/core/plan/__tests__/written-plans';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { leaveBehind, type DoneStep } from './leave-behind';

const c = new ShellComposer();
c.page('Welcome of last term', '<p>x</p>', { ref: 'a', path: 'a.html' });
c.page('Old talk', '<p>y</p>', { ref: 'b', path: 'b.html' });
c.page('Old talk', '<p>z</p>', { ref: 'd', path: 'd.html' });
c.file('files/old.pdf', 'bytes');
const shell = c.shell();

function done(action: string, targets: string[], titles: string[]): DoneStep {
  const step = makeStep(shell, hand(action, targets));
  if (!step.ok) throw new Error(step.trouble.message);
  return { step: step.value, titles };
}

describe('what the next copy leaves behind', () => {
  it('is what was deleted, hidden and set aside, by area and title', () => {
    expect(
      leaveBehind([
        done('delete', ['b', 'd'], ['Old talk', 'Old talk']),
        done('delete', ['files/old.pdf'], ['files/old.pdf']),
        done('set-aside', ['a'], ['Welcome of last term']),
      ]),
    ).toEqual([
      { area: 'items', title: 'Old talk', did: 'deleted', count: 2 },
      { area: 'items', title: 'Welcome of last term', did: 'set aside', count: 1 },
      { area: 'files', title: 'files/old.pdf', did: 'deleted', count: 1 },
    ]);
  });

  it('says what was done last to a thing, and nothing of other changes', () => {
    expect(
      leaveBehind([
        done('hide', ['a'], ['Welcome of last term']),
        done('show', ['b'], ['Old talk']),
        done('delete', ['a'], ['Welcome of last term']),
      ]),
    ).toEqual([{ area: 'items', title: 'Welcome of last term', did: 'deleted', count: 1 }]);
  });
});
