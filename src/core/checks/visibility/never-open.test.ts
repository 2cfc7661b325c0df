import type { LocalDateTime } from '@/core/dates/local-date';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { checkCases } from '../__tests__/check-cases';
import { neverOpen } from './never-open';

const at = (text: string | undefined) => (text ?? null) as LocalDateTime | null;
const dated =
  (dates: { opens?: string; closes?: string; due?: string }, over: object = {}) =>
  (c: ShellComposer) =>
    void c.assignment('A', '<p>x</p>', 5, {
      ref: 'a',
      opens: at(dates.opens),
      closes: at(dates.closes),
      due: at(dates.due),
      ...over,
    });

checkCases(neverOpen, {
  fires: [
    {
      name: 'closed last term: re-dated by week and weekday',
      build: dated({ closes: '2025-09-28T23:59:59' }),
      subjects: [['a']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({
          action: 're-date',
          params: { dates: { a: { closes: '2027-02-14T23:59:59' } } },
        }),
    },
    {
      name: 'opens after the term',
      build: dated({ opens: '2027-05-08T00:00:00' }),
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'closed the day before the term',
      build: dated({ closes: '2027-01-10T23:59:59' }),
      subjects: [['a']],
    },
    {
      name: 'closes before it opens',
      build: dated({ opens: '2027-03-10T08:00:00', closes: '2027-03-01T08:00:00' }),
      subjects: [['a']],
    },
    {
      name: 'both last term',
      build: dated({ opens: '2025-09-15T08:00:00', closes: '2025-09-28T23:59:59' }),
      subjects: [['a']],
      expect: ([f]) =>
        expect(f!.remedy!.params.dates).toEqual({
          a: { opens: '2027-02-01T08:00:00', closes: '2027-02-14T23:59:59' },
        }),
    },
    {
      name: 'a page',
      build: (c) => void c.page('P', '<p>x</p>', { ref: 'p', closes: at('2025-09-28T23:59:59') }),
      subjects: [['p']],
    },
  ],
  silent: [
    {
      name: 'opens in the term',
      build: dated({ opens: '2027-02-01T08:00:00', closes: '2027-02-14T23:59:59' }),
    },
    { name: 'opened long ago', build: dated({ opens: '2025-09-15T08:00:00' }) },
    { name: 'closes after the term', build: dated({ closes: '2027-06-01T08:00:00' }) },
    { name: 'opens on the last day', build: dated({ opens: '2027-05-07T23:00:00' }) },
    { name: 'closes on the first day', build: dated({ closes: '2027-01-11T08:00:00' }) },
    { name: 'hidden', build: dated({ closes: '2025-09-28T23:59:59' }, { shown: false }) },
    { name: 'only due last term', build: dated({ due: '2025-09-28T23:59:59' }) },
  ],
});
