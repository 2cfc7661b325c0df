import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { hand, runWritten } from '../__tests__/written-plans';

test('a home page that goes while others link to it stays as a page, and is no home page any more', () => {
  const c = new ShellComposer();
  c.page('Welcome', '<p><a href="old.html">the old one</a></p>', { ref: 'new', path: 'new.html' });
  c.page('Old welcome', '<p>Hello.</p>', { ref: 'old', path: 'old.html' });
  const composed = c.shell();
  const shell = {
    ...composed,
    items: composed.items.map((item) =>
      item.title === 'Old welcome' ? { ...item, kind: 'home-page' as const } : item,
    ),
    homePages: composed.items.map(({ ref, title }, n) => ({ ref, title, inUse: n === 0 })),
  };
  const { after } = runWritten(shell, [hand('delete', ['old'])]);
  expect(after.homePages.map(({ title }) => title)).toEqual(['Welcome']);
  expect(after.items.map(({ title, kind, placed }) => [title, kind, placed])).toEqual([
    ['Welcome', 'page', true],
    ['Old welcome', 'page', false],
  ]);
});
