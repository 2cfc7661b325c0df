import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { takeInventory } from '@/core/inventory/inventory';
import type { Item, Shell } from './model';
import { unusedItems, workBegins } from './unused-items';

const day = (text: string) => text as LocalDate;
const at = (text: string) => `${text}T09:00:00` as LocalDateTime;
const term = { title: 'Spring 2027', start: day('2027-01-11'), end: day('2027-05-07') };
const previousTerm = { title: 'Autumn 2025', start: day('2025-08-25'), end: day('2025-12-12') };

/** Pages, each changed by what is said of it. */
function shellWith(items: Readonly<Record<string, Partial<Item>>>, over: Partial<Shell> = {}): Shell {
  const composer = new ShellComposer();
  composer.module('Week 1', { ref: 'week' });
  for (const ref of Object.keys(items))
    composer.page(ref, '<p>text</p>', { ref, parent: 'week', path: `${ref}.html` });
  const shell = composer.shell();
  return {
    ...shell,
    term,
    previousTerm,
    items: shell.items.map((item) => ({ ...item, ...items[item.ref] })),
    ...over,
  };
}
const unused = (shell: Shell) => unusedItems(shell).map(({ ref }) => String(ref));

test('what was changed before the term before ended, and has no date in this one, is not used', () => {
  const shell = shellWith({
    old: { modified: at('2024-03-01') },
    copied: { created: at('2025-12-12') },
    reworked: { modified: at('2026-12-20') },
    dated: { modified: at('2024-03-01'), due: at('2027-02-01') },
    longPast: { modified: at('2024-03-01'), due: at('2025-09-01') },
    hidden: { modified: at('2024-03-01'), shown: false },
    untold: {},
  });
  expect(unused(shell)).toEqual(['old', 'copied', 'longPast']);
  expect(takeInventory(shell).unused).toBe(3);
});

test('without a term before, the two months before this one count as work on it', () => {
  const items = { old: { modified: at('2026-11-12') }, fresh: { modified: at('2026-11-13') } };
  const shell = shellWith(items, { previousTerm: null });
  expect(workBegins(shell)).toBe('2026-11-12');
  expect(unused(shell)).toEqual(['old']);
});

test('without a term nothing is said', () => {
  const shell = shellWith(
    { old: { modified: at('2020-01-01') } },
    {
      term: { title: '', start: null, end: null },
      previousTerm: null,
    },
  );
  expect([workBegins(shell), unused(shell)]).toEqual([null, []]);
});
