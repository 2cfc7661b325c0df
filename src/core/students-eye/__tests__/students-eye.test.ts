import fc from 'fast-check';
import { shells } from '@/core/plan/__tests__/random-shells';
import type { Item, Shell } from '@/core/shell/model';
import { addDays, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { noonOf } from '../openings';
import { seenAt } from '../sight';
import { isIn } from '../spans';
import { mostDeadEnds, studentsEye, type StudentsEye } from '../students-eye';
import { walkTerm } from './independent-walk';

const start = '2027-01-11' as LocalDate;
const days = Array.from({ length: 117 }, (_, n) => addDays(start, n));
const noons = days.map(noonOf);

/** Dates for items, some of them turned round or outside the term. */
const dates = fc.array(
  fc.record({
    opens: fc.option(fc.integer({ min: -9, max: 130 })),
    closes: fc.option(fc.integer({ min: -9, max: 130 })),
  }),
  {
    minLength: 30,
    maxLength: 30,
  },
);
const at = (day: number | null, time: string) =>
  day === null ? null : (`${addDays(start, day)}T${time}` as LocalDateTime);
const dated = (shell: Shell, list: readonly { opens: number | null; closes: number | null }[]): Shell => ({
  ...shell,
  items: shell.items.map((item, n): Item => {
    const { opens, closes } = list[n % list.length] ?? { opens: null, closes: null };
    return n % 3 === 0 ? item : { ...item, opens: at(opens, '08:00:00'), closes: at(closes, '12:00:00') };
  }),
});
const reachedAt = (eye: StudentsEye, moment: LocalDateTime) =>
  eye.lines
    .filter(({ spans }) => isIn(spans, moment))
    .map(({ ref }) => ref)
    .sort();
const deadEndsAt = (eye: StudentsEye, moment: LocalDateTime) =>
  [...new Set(eye.deadEnds.filter(({ spans }) => isIn(spans, moment)).map(({ to }) => to.ref))].sort();

describe('the student’s eye', () => {
  it('sees on every day of the term what an independent walk reaches, in a hundred generated shells', () => {
    const seen = { reached: 0, deadEnds: 0 };
    fc.assert(
      fc.property(shells, dates, (generated, list) => {
        const shell = dated(generated, list);
        const eye = studentsEye(shell);
        for (const walk of walkTerm(shell, noons)) {
          expect({ moment: walk.moment, reached: reachedAt(eye, walk.moment) }).toEqual({
            moment: walk.moment,
            reached: [...walk.reached].sort(),
          });
          expect({ moment: walk.moment, deadEnds: deadEndsAt(eye, walk.moment) }).toEqual({
            moment: walk.moment,
            deadEnds: [...walk.deadEnds].sort(),
          });
          seen.reached += walk.reached.size;
          seen.deadEnds += walk.deadEnds.size;
        }
      }),
      { numRuns: 100, seed: 20270104 },
    );
    // The walk has something to see: else it would prove nothing.
    expect(seen.reached).toBeGreaterThan(10_000);
    expect(seen.deadEnds).toBeGreaterThan(1_000);
  });

  it('says of each item why a student does not get in', () => {
    const c = new ShellComposer();
    c.module('Week 1', { ref: 'm1', shown: false });
    c.page('Inside', '<p>x</p>', { ref: 'in', path: 'in.html', parent: 'm1' });
    c.page('Hidden', '<p>x</p>', { ref: 'hidden', path: 'h.html', shown: false });
    c.page('After it', '<p>x</p>', { ref: 'after', path: 'a.html', requires: ['hidden' as never] });
    c.page('Open', '<p><a href="h.html">look</a> <a href="gone.html">gone</a></p>', {
      ref: 'open',
      path: 'o.html',
    });
    const eye = studentsEye(c.shell());
    const closedOf = (ref: string) => eye.lines.find((line) => line.ref === ref)?.closed;
    expect(closedOf('in')).toEqual({ is: 'shadowed', by: 'Week 1' });
    expect(closedOf('hidden')).toEqual({ is: 'hidden' });
    expect(closedOf('after')).toEqual({ is: 'locked', behind: 'Hidden' });
    expect(closedOf('open')).toBeNull();
    expect(eye.deadEnds.map(({ from, to, because }) => [from, to.ref, because.is])).toEqual([
      ['open', 'hidden', 'hidden'],
      ['open', 'gone.html', 'missing'],
    ]);
  });

  it('is not thrown by requirements that go in a circle, or in a chain as long as the outline', () => {
    const c = new ShellComposer();
    c.page('A', '<p>x</p>', { ref: 'a', path: 'a.html', requires: ['b' as never] });
    c.page('B', '<p>x</p>', { ref: 'b', path: 'b.html', requires: ['a' as never] });
    for (let n = 0; n < 20_000; n += 1)
      c.module(`Step ${n}`, { ref: `s${n}`, requires: [`s${n + 1}` as never] });
    c.module('The first', { ref: 's20000' });
    const eye = studentsEye(c.shell());
    const line = (ref: string) => eye.lines.find((one) => one.ref === ref);
    expect(line('a')?.closed?.is).toBe('locked');
    expect(line('b')?.closed?.is).toBe('locked');
    expect(line('s0')?.closed).toBeNull();
  });

  it('lists as many dead ends as anybody would look at, and counts the rest', () => {
    const links = (count: number) =>
      Array.from({ length: count }, (_, n) => `<a href="gone-${n}.html">x</a>`).join('');
    const eyeOf = (count: number) => {
      const c = new ShellComposer();
      c.page('A', links(count), { ref: 'a', path: 'a.html' });
      return studentsEye(c.shell());
    };
    expect(eyeOf(mostDeadEnds).deadEnds).toHaveLength(mostDeadEnds);
    expect(eyeOf(mostDeadEnds).unlistedDeadEnds).toBeUndefined();
    expect(eyeOf(mostDeadEnds + 3).deadEnds).toHaveLength(mostDeadEnds);
    expect(eyeOf(mostDeadEnds + 3).unlistedDeadEnds).toBe(3);
  });

  it('tells what is not open yet from what was, is locked, or that nothing leads to', () => {
    const noon = noonOf('2027-02-01');
    const spans = (from: string | null, until: string | null) => [
      { from: from as LocalDateTime | null, until: until as LocalDateTime | null },
    ];
    const seen = (given: Parameters<typeof seenAt>[0]) => Object.values(seenAt(given, noon)).join(': ');
    expect(seen({ spans: spans(null, null), closed: null })).toBe('Shown: It is open.');
    expect(seen({ spans: spans('2027-02-01T12:00:01', null), closed: null })).toBe(
      'Timed: It opens on Monday, 1 February 2027, 12:00.',
    );
    expect(seen({ spans: spans(null, '2027-02-01T12:00:00'), closed: null })).toBe(
      'Timed: It closed on Monday, 1 February 2027, 12:00.',
    );
    expect(seen({ spans: [], closed: { is: 'locked', behind: 'Quiz' } })).toMatch(
      /^Locked: It requires “Quiz”/,
    );
    expect(seen({ spans: [], closed: null })).toMatch(/^Unreached/);
  });
});
