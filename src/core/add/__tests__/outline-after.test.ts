import fc from 'fast-check';
import { shellRef } from '@/core/refs/refs';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import type { Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { hintsOf } from '../hints';
import { outlineAfter, outlineLine, shellOfLines } from '../outline-after';
import { addSo, plainOptions } from './add-so';

const courses = fc.array(
  fc.record({
    week: fc.integer({ min: 0, max: 4 }),
    text: fc.integer({ min: 0, max: 8 }),
    hidden: fc.boolean(),
  }),
  { maxLength: 10 },
);
function course(name: string, pages: readonly { week: number; text: number; hidden: boolean }[]): Shell {
  const c = new ShellComposer({ ref: shellRef(name), title: name });
  for (const week of [0, 1, 2, 3, 4]) {
    const inWeek = pages.filter((page) => page.week === week);
    if (inWeek.length === 0) continue;
    if (week > 0) c.module(`Week ${week}`, { ref: `w${week}`, shown: week === 3 ? false : null });
    for (const [n, { text, hidden }] of inWeek.entries())
      c.page(`Page ${text}`, `<p>Text number ${text} of those that are told apart by it.</p>`, {
        ref: `p${week}-${n}`,
        parent: week === 0 ? null : `w${week}`,
        shown: hidden ? false : null,
      });
  }
  return c.shell();
}

test('the outline that a choice shows is the outline that adding makes', () => {
  fc.assert(
    fc.property(courses, courses, fc.boolean(), (here, there, hidden) => {
      const [shell, source] = [course('here', here), course('there', there)];
      const added = addSo(shell, source, { take: 'all' }, { hidden });
      const lines = outlineAfter(
        shellOfLines(shell.items.map(outlineLine)),
        shellOfLines(source.items.map(outlineLine)),
        added.preview,
        added.choice,
        { landing: plainOptions.landing, hidden },
      );
      const { isShown, ancestors } = outlineOf(added.after);
      expect(lines.map(({ title, depth, hidden: isHidden }) => [title, depth, isHidden])).toEqual(
        added.after.items.map((item) => [item.title, ancestors(item).length, !isShown(item)]),
      );
    }),
    { numRuns: 60 },
  );
});

test('a thing says shortly what the checks know of it; the copy that is kept says nothing', () => {
  const c = new ShellComposer({ ref: shellRef('hints') });
  const text = '<p>Stand downstream of the gauge and read at eye level where the water meets the scale.</p>';
  c.page('Gauge', text, { ref: 'a' });
  c.page('Gauge again', text, { ref: 'b' });
  c.page('Site report', '<p>One.</p>', { ref: 's' });
  c.page('Site report (2)', '<p>Two.</p>', { ref: 's2' });
  c.page('Quiz key', '<p>The heron, the rail, the bittern and the crane.</p>', { ref: 'k' });
  const hints = hintsOf(c.shell(), defaultHouseRules(allChecks)).map(({ key, says }) => [key, says]);
  expect(hints).toEqual(
    expect.arrayContaining([
      ['item b', 'a copy'],
      ['item k', 'answer key'],
      ['item s2', 'named as a copy'],
    ]),
  );
  const keys = hints.map(([key]) => key);
  for (const kept of ['item a', 'item s']) expect(keys).not.toContain(kept);
});
