import { shellFingerprint } from '@/core/shell/shell-fingerprint';
import type { Shell } from '@/core/shell/model';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { applyEdits, tryEdits } from './apply-edits';
import { diffShells } from './diff-shells';
import { factNames, invertEdits, listNames } from './edit';

function sample(): Shell {
  const c = new ShellComposer();
  c.module('Week 1', { ref: 'm' });
  c.page('One', '<p>1</p>', { ref: 'a', parent: 'm' });
  c.page('Two', '<p>2</p>', { ref: 'b', parent: 'm' });
  c.page('Three', '<p>3</p>', { ref: 'c', parent: 'm' });
  return c.shell();
}
const without = (shell: Shell, ref: string): Shell => ({
  ...shell,
  items: shell.items.filter((i) => i.ref !== ref),
});
const renamed = (shell: Shell, ref: string, title: string): Shell => ({
  ...shell,
  items: shell.items.map((i) => (i.ref === ref ? { ...i, title } : i)),
});

test('edits say what they replace, and are refused where that is not there', () => {
  const shell = sample();
  const edits = diffShells(shell, renamed(shell, 'a', 'Uno'));
  expect(edits).toEqual([
    { op: 'change', list: 'items', ref: 'a', before: { title: 'One' }, after: { title: 'Uno' } },
  ]);
  expect(tryEdits(renamed(shell, 'a', 'Other'), edits)).toMatchObject({
    ok: false,
    trouble: { code: 'edit-misfit', message: 'the title of “Other” was changed since' },
  });
  expect(tryEdits(without(shell, 'a'), edits)).toMatchObject({ ok: false });
});

test('on another shell nothing is added twice under one ref', () => {
  const shell = sample();
  const back = invertEdits(diffShells(shell, without(shell, 'b')));
  expect(tryEdits(shell, back)).toMatchObject({ ok: false, trouble: { message: '“Two” is there already' } });
  expect(applyEdits(without(shell, 'b'), back)).toEqual(shell);
});

test('what goes from the middle comes back there, whatever went with it', () => {
  const shell = sample();
  const left = without(without(without(shell, 'a'), 'b'), 'm');
  expect(applyEdits(left, invertEdits(diffShells(shell, left)))).toEqual(shell);
  const turned: Shell = { ...shell, items: [...shell.items].reverse() };
  expect(diffShells(shell, turned)).toEqual([
    { op: 'order', list: 'items', before: ['m', 'a', 'b', 'c'], after: ['c', 'b', 'a', 'm'] },
  ]);
  expect(applyEdits(turned, invertEdits(diffShells(shell, turned)))).toEqual(shell);
});

test('every part that edits change is part of the fingerprint', () => {
  const shell = sample();
  const print = shellFingerprint(shell);
  const changed: Partial<Record<string, unknown>> = {
    code: 'X',
    title: 'X',
    term: { title: 'X', start: null, end: null },
    calendar: { head: 'X', others: [] },
  };
  for (const name of factNames) {
    expect(shellFingerprint({ ...shell, [name]: changed[name] })).not.toBe(print);
  }
  const thing = { ref: 'x', id: 'x', path: 'x', texts: [], text: null, title: 'x' };
  for (const list of listNames) {
    const more = { ...shell, [list]: [...shell[list], thing] };
    expect([list, shellFingerprint(more) === print]).toEqual([list, false]);
  }
});
