import type { LocalDateTime } from '@/core/dates/local-date';
import { checkCases } from '../__tests__/check-cases';
import { dateOutsideTerm } from './date-outside-term';

const at = (text: string) => text as LocalDateTime;
const unknownPast = { previousTerm: null };

checkCases(dateOutsideTerm, {
  fires: [
    {
      name: 'due last autumn: the same week and weekday is proposed',
      build: (c) =>
        void c.assignment('Notebook', '<p>x</p>', 5, { ref: 'a', due: at('2025-10-14T23:59:59') }),
      subjects: [['a']],
      // 14 October 2025 is the Tuesday of week 8 (weekday from memory of the calendar); week 8 of spring begins on 1 March 2027.
      expect: ([f]) =>
        expect(f).toMatchObject({
          title: '“Notebook” due 14 October 2025, 454 days before the term begins',
          remedy: {
            action: 're-date',
            kind: 'judgement',
            params: { dates: { a: { due: '2027-03-02T23:59:59' } } },
          },
        }),
    },
    {
      name: 'fifteen days before the term',
      build: (c) => {
        c.page('P', '<p>x</p>', { ref: 'a', opens: at('2026-12-27T00:00:00') });
        return unknownPast;
      },
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'fifteen days after the term',
      build: (c) => {
        c.quiz('Q', [{ stem: '<p>s</p>', answers: ['a', 'b'], right: 0, points: 1 }], {
          ref: 'a',
          closes: at('2027-05-22T00:00:00'),
        });
        return unknownPast;
      },
      subjects: [['a']],
      expect: ([f]) => expect(f!.title).toContain('15 days after the term ends'),
    },
    {
      name: 'two of an item’s dates are one finding',
      build: (c) =>
        void c.assignment('N', '<p>x</p>', 5, {
          ref: 'a',
          opens: at('2025-09-01T00:00:00'),
          due: at('2025-09-05T23:59:59'),
          closes: at('2027-02-01T00:00:00'),
        }),
      subjects: [['a']],
      expect: ([f]) =>
        expect(f!.evidence.filter((e) => e.label === 'Due' || e.label === 'Opens')).toHaveLength(2),
    },
    {
      name: 'only the end of the term is known',
      build: (c) => {
        c.page('P', '<p>x</p>', { ref: 'a', due: at('2028-01-01T00:00:00') });
        return { ...unknownPast, term: { title: '', start: null, end: '2027-05-07' as never } };
      },
      subjects: [['a']],
    },
  ],
  silent: [
    {
      name: 'day 14 before the term does not fire',
      build: (c) => void c.page('P', '<p>x</p>', { opens: at('2026-12-28T00:00:00') }),
    },
    {
      name: 'day 14 after the term does not fire',
      build: (c) => void c.page('P', '<p>x</p>', { closes: at('2027-05-21T23:59:59') }),
    },
    {
      name: 'on the first day',
      build: (c) => void c.page('P', '<p>x</p>', { opens: at('2027-01-11T00:00:00') }),
    },
    {
      name: 'on the last day',
      build: (c) => void c.page('P', '<p>x</p>', { due: at('2027-05-07T23:59:59') }),
    },
    {
      name: 'an announcement',
      build: (c) => {
        c.page('Welcome', '<p>x</p>', { ref: 'a', opens: at('2025-09-01T00:00:00') });
        const shell = c.shell();
        return { items: shell.items.map((i) => ({ ...i, kind: 'announcement' as const })) };
      },
    },
    {
      name: 'created long ago is no date of that kind',
      build: (c) => void c.page('P', '<p>x</p>', { created: at('2021-09-01T00:00:00') }),
    },
    {
      name: 'a term that nobody told',
      build: (c) => {
        c.page('P', '<p>x</p>', { due: at('2021-09-01T00:00:00') });
        return { term: { title: '', start: null, end: null } };
      },
    },
  ],
});
