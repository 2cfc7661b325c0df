import type { CourseEvent, Shell } from '@/core/shell/model';
import type { LocalDateTime } from '@/core/dates/local-date';
import { checkCases } from '../__tests__/check-cases';
import { event } from '../__tests__/make-event';
import { outsideTerm } from './outside-term';

const holding =
  (events: CourseEvent[], more: Partial<Shell> = {}) =>
  () => ({ events, ...more });
const series = (ref: string, ...days: string[]) => {
  const occurrences = days.map((d) => `${d}T10:00:00` as LocalDateTime);
  return event(ref, 'Series', occurrences[0]!, {
    occurrences,
    recurrence: { rule: 'FREQ=WEEKLY', extraDates: [], excludedDates: [] },
  });
};

// The term runs from 11 January to 7 May 2027; day 14 on either side does not fire.
checkCases(outsideTerm, {
  fires: [
    {
      name: 'fifteen days before the term',
      build: holding([event('a', 'Talk', '2026-12-27T10:00:00')]),
      subjects: [['a']],
      expect: ([f]) =>
        expect([f!.title, f!.remedy?.kind]).toEqual(['“Talk” ended 15 days before the term begins', 'safe']),
    },
    {
      name: 'fifteen days after it',
      build: holding([event('a', 'Talk', '2027-05-22T10:00:00')]),
      subjects: [['a']],
      expect: ([f]) => expect(f!.title).toBe('“Talk” begins 15 days after the term ends'),
    },
    {
      name: 'a year ago',
      build: holding([event('a', 'Office hour', '2025-10-01T17:00:00')]),
      subjects: [['a']],
    },
    {
      name: 'every date of a series',
      build: holding([series('s', '2025-09-01', '2025-09-08', '2025-09-15')]),
      subjects: [['s']],
      expect: ([f]) => expect(f!.evidence[0]!.value).toBe('3, from 1 September 2025 to 15 September 2025'),
    },
    {
      name: 'dates before and after, none near',
      build: holding([series('s', '2026-01-01', '2028-01-01')]),
      subjects: [['s']],
    },
    {
      name: 'a stricter house rule',
      build: holding([event('a', 'Talk', '2027-01-08T10:00:00')]),
      rules: { checks: { 'calendar.outside-term': { on: true, urgency: 'fix-first', days: 2 } } },
      subjects: [['a']],
    },
    {
      name: 'two events are two findings',
      build: holding([event('a', 'One', '2025-10-01T17:00:00'), event('b', 'Two', '2025-10-02T17:00:00')]),
      subjects: [['a'], ['b']],
    },
  ],
  silent: [
    { name: 'fourteen days before the term', build: holding([event('a', 'Talk', '2026-12-28T10:00:00')]) },
    { name: 'fourteen days after it', build: holding([event('a', 'Talk', '2027-05-21T10:00:00')]) },
    {
      name: 'the first day and the last',
      build: holding([event('a', 'First', '2027-01-11T00:00:00'), event('b', 'Last', '2027-05-07T23:00:00')]),
    },
    {
      name: 'one date of a long series inside',
      build: holding([series('s', '2025-09-01', '2026-09-01', '2027-02-01')]),
    },
    {
      name: 'no term known',
      build: holding([event('a', 'Talk', '2019-01-01T10:00:00')], {
        term: { title: '', start: null, end: null },
      }),
    },
    {
      name: 'made long ago, but inside the term',
      build: holding([
        event('a', 'Talk', '2027-02-01T10:00:00', { created: '2020-01-01T00:00:00' as LocalDateTime }),
      ]),
    },
  ],
});
