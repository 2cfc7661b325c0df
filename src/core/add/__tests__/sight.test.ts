import { shellRef } from '@/core/refs/refs';
import type { Shell } from '@/core/shell/model';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { holdAgainst } from '../hold-against';
import { addSo, spring, words } from './add-so';

describe('what students see stays so', () => {
  const source = (shown: boolean | null, inside: boolean | null): Shell => {
    const c = new ShellComposer({ ref: shellRef('s'), term: spring });
    c.module('Week 1', { ref: 'm', shown });
    c.page('Notes', `<p>${words}</p>`, { ref: 'p', parent: 'm', shown: inside });
    return c.shell();
  };
  const target = (shown: boolean | null = null): Shell => {
    const c = new ShellComposer({ ref: shellRef('t'), term: spring });
    c.module('Week 1', { ref: 'w', shown });
    return c.shell();
  };
  const notes = (shell: Shell, from: Shell, hidden = false) => {
    const { after, landed } = addSo(shell, from, {}, { hidden });
    return [after.items.find(({ title }) => title === 'Notes')?.shown, landed.get('item p')?.hidden];
  };

  test.each([
    [
      'what its module hides is hidden by its own switch where that module is shown',
      target(),
      source(false, null),
      false,
      [false, true],
    ],
    [
      'nothing is switched where the module here is hidden, too',
      target(false),
      source(false, null),
      false,
      [null, true],
    ],
    [
      'nor where the module comes along',
      { ...target(), items: [] },
      source(false, null),
      false,
      [null, true],
    ],
    ['what is hidden itself stays so', target(), source(null, false), false, [false, true]],
    ['what is shown stays so', target(), source(null, true), false, [true, false]],
    ['all lands hidden where that is asked for', target(), source(null, true), true, [false, true]],
  ])('%s', (_, shell, from, hidden, expected) => {
    expect(notes(shell, from, hidden)).toEqual(expected);
  });

  test('a key is not proposed, unless all lands hidden', () => {
    const c = new ShellComposer({ ref: shellRef('k'), term: spring });
    c.page('Quiz 1 answer key', `<p>${words}</p>`, { ref: 'key' });
    const key = (hidden: boolean) => holdAgainst(target(), c.shell(), { hidden }).things[0];
    expect(key(false)).toMatchObject({ proposed: false, leftOut: 'key' });
    expect(key(true)).toMatchObject({ proposed: true, leftOut: null });
  });
});
