import type { CourseEvent } from '@/core/shell/model';
import type { LocalDateTime } from '@/core/dates/local-date';
import { checkCases } from '../__tests__/check-cases';
import { event } from '../__tests__/make-event';
import { duplicateEvent } from './event';

const holding =
  (...events: CourseEvent[]) =>
  () => ({ events });
const at = '2027-02-01T09:00:00';
const on = (day: string) => `${day}T08:00:00` as LocalDateTime;

checkCases(duplicateEvent, {
  fires: [
    {
      name: 'same title and moment: the first stays',
      build: holding(event('a', 'Lecture', at), event('b', 'Lecture', at)),
      subjects: [['a', 'b']],
      expect: ([f]) => expect([f!.keep, f!.remedy?.targets, f!.remedy?.kind]).toEqual(['a', ['b'], 'safe']),
    },
    {
      name: 'the one changed last stays',
      build: holding(
        event('a', 'Lecture', at, { modified: on('2026-12-01') }),
        event('b', 'Lecture', at, { modified: on('2026-12-09') }),
      ),
      subjects: [['a', 'b']],
      expect: ([f]) => expect([f!.keep, f!.evidence.at(-1)?.value]).toEqual(['b', 'it was changed last']),
    },
    {
      name: 'titles in other case and spacing',
      build: holding(event('a', 'Field  Day', at), event('b', 'field day', at)),
      subjects: [['a', 'b']],
    },
    {
      name: 'three times',
      build: holding(event('a', 'Lecture', at), event('b', 'Lecture', at), event('c', 'Lecture', at)),
      subjects: [['a', 'b', 'c']],
    },
    {
      name: 'one identifier twice, at other times',
      build: holding(
        event('a', 'Lecture', at, { uid: 'x' }),
        event('a~2', 'Lecture', '2027-02-02T09:00:00', { uid: 'x' }),
      ),
      subjects: [['a', 'a~2']],
    },
    {
      name: 'two pairs are two findings',
      build: holding(
        event('a', 'One', at),
        event('b', 'One', at),
        event('c', 'Two', at),
        event('d', 'Two', at),
      ),
      subjects: [
        ['a', 'b'],
        ['c', 'd'],
      ],
    },
    {
      name: 'whole days',
      build: holding(
        event('a', 'Break', '2027-03-15T00:00:00', { allDay: true }),
        event('b', 'Break', '2027-03-15T00:00:00', { allDay: true }),
      ),
      subjects: [['a', 'b']],
    },
  ],
  silent: [
    {
      name: 'same title on another day',
      build: holding(event('a', 'Lecture', at), event('b', 'Lecture', '2027-02-08T09:00:00')),
    },
    {
      name: 'same title an hour later',
      build: holding(event('a', 'Lab', at), event('b', 'Lab', '2027-02-01T10:00:00')),
    },
    { name: 'same moment, another title', build: holding(event('a', 'Lab A', at), event('b', 'Lab B', at)) },
    {
      name: 'a changed date of a series',
      build: holding(
        event('s', 'Lecture', at, { uid: 's' }),
        event('s#20270208T090000', 'Lecture', '2027-02-09T09:00:00', {
          uid: 's',
          recurrenceId: '20270208T090000',
        }),
      ),
    },
    {
      name: 'a changed date that falls on the first date of its series',
      build: holding(
        event('s', 'Lecture', at, { uid: 's' }),
        event('s#20270208T090000', 'Lecture', at, { uid: 's', recurrenceId: '20270208T090000' }),
      ),
    },
    {
      name: 'a whole day and a moment of it',
      build: holding(
        event('a', 'Field day', '2027-03-15T00:00:00', { allDay: true }),
        event('b', 'Field day', '2027-03-15T00:00:00'),
      ),
    },
    { name: 'one event', build: holding(event('a', 'Lecture', at)) },
  ],
});
