import { checkCases, day } from '../__tests__/check-cases';
import { termDates } from './term-dates';

const term =
  (start: string | null, end: string | null, title = '') =>
  () => ({ term: { title, start: start ? day(start) : null, end: end ? day(end) : null } });

checkCases(termDates, {
  fires: [
    {
      name: 'neither',
      build: term(null, null),
      subjects: [['case']],
      expect: ([f]) => expect(f).toMatchObject({ urgency: 'fix-first', remedy: null }),
    },
    { name: 'no start', build: term(null, '2027-05-07'), subjects: [['case']] },
    { name: 'no end', build: term('2027-01-11', null), subjects: [['case']] },
    { name: 'only a title', build: term(null, null, 'Spring 2027'), subjects: [['case']] },
    {
      name: 'with items',
      build: (c) => {
        c.page('P', '<p>x</p>');
        return term(null, null)();
      },
      subjects: [['case']],
    },
    {
      name: 'the previous term is known',
      build: () => ({
        ...term(null, null)(),
        previousTerm: { title: '', start: day('2025-08-25'), end: day('2025-12-12') },
      }),
      subjects: [['case']],
    },
  ],
  silent: [
    { name: 'both', build: term('2027-01-11', '2027-05-07') },
    { name: 'both, no title', build: term('2027-01-11', '2027-05-07', '') },
    { name: 'one day', build: term('2027-01-11', '2027-01-11') },
    { name: 'long ago', build: term('2007-01-11', '2007-05-07') },
    { name: 'across the year', build: term('2026-11-11', '2027-02-07') },
    { name: 'an empty shell', build: () => ({}) },
  ],
});
