import type { Shell } from '@/core/shell/model';
import { shellRef } from '@/core/refs/refs';
import { takeInventory } from '@/core/inventory/inventory';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { event } from '@/core/checks/__tests__/make-event';
import { baselineOf, onlyBaseline } from '../baseline';

const template = (more: (c: ShellComposer) => void = () => undefined, prefix = ''): Shell => {
  const c = new ShellComposer({ ref: shellRef('t'), title: 'Template' });
  c.module('About every course', { ref: `${prefix}about` });
  c.file('logo.png', 'a logo');
  c.page('Honest work', '<p>What you hand in under your name is yours.</p>', {
    ref: `${prefix}honest`,
    parent: `${prefix}about`,
    path: `${prefix || 'x'}/honest.html`,
  });
  more(c);
  return c.shell();
};
const against = (shell: Shell): Shell => ({ ...shell, baseline: baselineOf(template(), 'template') });

test('a copy of the baseline is nothing but the baseline, whatever its identifiers and paths are', () => {
  expect(onlyBaseline(against(template(undefined, 'copy')))).toBe(true);
  expect(takeInventory(against(template(undefined, 'copy'))).verdict).toBe('template-only');
});

test.each<[string, (c: ShellComposer) => void]>([
  ['a page of its own', (c) => void c.page('Syllabus', '<p>Ten units.</p>')],
  ['a module of its own', (c) => void c.module('Week 1')],
  ['a file of its own', (c) => void c.file('own.png', 'another picture')],
  ['a changed statement', (c) => void c.page('Honest work', '<p>What you hand in is ours.</p>')],
])('%s makes it more', (_, more) =>
  expect(takeInventory(against(template(more))).verdict).toBe('has-content'),
);

test('an event makes it more, a missing statement does not', () => {
  expect(onlyBaseline({ ...against(template()), events: [event('e', 'Talk', '2027-02-01T10:00:00')] })).toBe(
    false,
  );
  expect(onlyBaseline(against({ ...template(), items: template().items.slice(0, 1) }))).toBe(true);
});

test('without a baseline nothing is called one, and nothing at all is empty', () => {
  expect(takeInventory(template()).verdict).toBe('has-content');
  expect(takeInventory(new ShellComposer({ ref: shellRef('e'), title: '' }).shell()).verdict).toBe('empty');
});
