import type { CourseEvent } from '@/core/shell/model';
import type { LocalDateTime } from '@/core/dates/local-date';
import { checkCases, day } from '../__tests__/check-cases';
import { event } from '../__tests__/make-event';
import { pastEvent } from './past';

const inMarch = (events: CourseEvent[]) => () => ({ events, asOf: day('2027-03-01') });
const weekly = (ref: string, dates: string[]) =>
  event(ref, 'Lecture', `${dates[0]}T09:00:00`, {
    recurrence: { rule: 'FREQ=WEEKLY', extraDates: [], excludedDates: [] },
    occurrences: dates.map((d) => `${d}T09:00:00` as LocalDateTime),
  });

checkCases(pastEvent, {
  fires: [
    {
      name: 'in the first week',
      build: inMarch([event('a', 'Lecture', '2027-01-12T09:00:00')]),
      subjects: [['a']],
      expect: ([f]) => expect(f).toMatchObject({ urgency: 'tidy', remedy: { kind: 'judgement' } }),
    },
    { name: 'yesterday', build: inMarch([event('a', 'Lecture', '2027-02-28T09:00:00')]), subjects: [['a']] },
    {
      name: 'all day',
      build: inMarch([
        event('a', 'Excursion', '2027-02-27T00:00:00', {
          allDay: true,
          end: '2027-02-28T00:00:00' as LocalDateTime,
        }),
      ]),
      subjects: [['a']],
    },
    {
      name: 'a series whose last date is over',
      build: inMarch([weekly('s', ['2027-01-12', '2027-01-19'])]),
      subjects: [['s']],
    },
    {
      name: 'two, each by itself',
      build: inMarch([event('a', 'A', '2027-01-12T09:00:00'), event('b', 'B', '2027-01-13T09:00:00')]),
      subjects: [['a'], ['b']],
    },
    {
      name: 'the term’s first day',
      build: inMarch([event('a', 'Opening', '2027-01-11T09:00:00')]),
      subjects: [['a']],
    },
  ],
  silent: [
    { name: 'today', build: inMarch([event('a', 'Lecture', '2027-03-01T09:00:00')]) },
    { name: 'to come', build: inMarch([event('a', 'Lecture', '2027-04-01T09:00:00')]) },
    { name: 'a series that goes on', build: inMarch([weekly('s', ['2027-02-23', '2027-03-02'])]) },
    { name: 'before the term', build: inMarch([event('a', 'Briefing', '2027-01-05T09:00:00')]) },
    {
      name: 'of several days, the last of them to come',
      build: inMarch([
        event('a', 'Excursion', '2027-02-27T08:00:00', { end: '2027-03-02T18:00:00' as LocalDateTime }),
      ]),
    },
    {
      name: 'the term has not begun',
      build: () => ({ events: [event('a', 'Lecture', '2027-01-12T09:00:00')] }),
    },
  ],
});
