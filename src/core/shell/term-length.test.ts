import type { LocalDate } from '@/core/dates/local-date';
import { believableTerm, termFault } from './term-length';

test.each([
  ['2027-01-11', '2027-05-07', null],
  ['2027-01-11', null, null],
  [null, null, null],
  ['2027-01-01', '2029-12-31', null],
  ['2027-05-07', '2027-01-11', 'ends on 2027-01-11, before it begins on 2027-05-07'],
  ['2027-02-30', '2027-05-07', 'has the day “2027-02-30”, which no calendar has'],
])('a term from %s to %s: %s', (start, end, fault) => expect(termFault({ start, end })).toBe(fault));

test('a term of ten thousand years loses its days, and says why', () => {
  const long = { title: 'Spring', start: '1000-01-01' as LocalDate, end: '9999-12-31' as LocalDate };
  expect(believableTerm(long)).toEqual({
    term: { title: 'Spring', start: null, end: null },
    fault: expect.stringMatching(/^lasts 3,287,182 days.*three years/) as string,
  });
  expect(believableTerm(null)).toEqual({ term: null, fault: null });
});
