import { event } from '../checks/__tests__/make-event';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import { daySpans, sideOfSpan } from './event-days';

const at = (text: string) => text as LocalDateTime;
const day = (text: string) => text as LocalDate;
const term = { title: '', start: day('2027-01-11'), end: day('2027-05-07') };

test.each([
  ['an hour', '2027-02-01T10:00:00', '2027-02-01T11:00:00', '2027-02-01', '2027-02-01'],
  [
    'all day: the end is the day after',
    '2027-02-01T00:00:00',
    '2027-02-02T00:00:00',
    '2027-02-01',
    '2027-02-01',
  ],
  ['three whole days', '2027-02-01T00:00:00', '2027-02-04T00:00:00', '2027-02-01', '2027-02-03'],
  ['until midnight', '2027-02-01T20:00:00', '2027-02-02T00:00:00', '2027-02-01', '2027-02-01'],
  ['into the night', '2027-02-01T20:00:00', '2027-02-02T01:00:00', '2027-02-01', '2027-02-02'],
  ['no length at all', '2027-02-01T00:00:00', '2027-02-01T00:00:00', '2027-02-01', '2027-02-01'],
])('%s', (_, start, end, first, last) => {
  expect(daySpans(event('e', 'E', start, { end: at(end) }))).toEqual([{ first, last }]);
});

test('every date of a series lasts as long', () => {
  const series = event('e', 'E', '2027-02-01T00:00:00', {
    end: at('2027-02-03T00:00:00'),
    occurrences: [at('2027-02-01T00:00:00'), at('2027-02-08T00:00:00')],
  });
  expect(daySpans(series)).toEqual([
    { first: '2027-02-01', last: '2027-02-02' },
    { first: '2027-02-08', last: '2027-02-09' },
  ]);
});

test.each([
  ['2026-12-01', '2027-01-11', { side: 'inside' }],
  ['2026-12-01', '2027-06-01', { side: 'inside' }],
  ['2026-12-01', '2027-01-10', { side: 'before', days: 1 }],
  ['2027-05-09', '2027-06-01', { side: 'after', days: 2 }],
  ['2027-05-07', '2027-06-01', { side: 'inside' }],
])('from %s to %s', (first, last, side) => {
  expect(sideOfSpan({ first: day(first), last: day(last) }, term)).toEqual(side);
});
