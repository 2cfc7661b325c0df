import { readCalendar } from '@/formats/icalendar/read-calendar';
import { itemRef } from '@/core/refs/refs';
import type { LocalDateTime } from '@/core/dates/local-date';
import { checkCases, day } from '../__tests__/check-cases';
import { noClassDay } from './no-class-day';

const noClassDays = [day('2027-03-15'), day('2027-03-16'), day('2027-03-17')];
const events =
  (title: string, ...lines: string[]) =>
  () => {
    const text = [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'BEGIN:VEVENT',
      'UID:s',
      'DTSTAMP:20261201T080000Z',
      `SUMMARY:${title}`,
      ...lines,
      'END:VEVENT',
      'END:VCALENDAR',
      '',
    ].join('\r\n');
    const read = readCalendar(
      text,
      'test.ics',
      { wanted: 'Europe/Dublin', otherwise: 'UTC' },
      day('2027-05-07'),
    );
    if (!read.ok) throw new Error(read.trouble.message);
    return { events: read.value.events, timeZone: 'Europe/Dublin', noClassDays };
  };
const due =
  (when: string) => (c: { assignment: (t: string, h: string, p: number, o: object) => unknown }) => {
    c.assignment('Report', '<p>x</p>', 10, { ref: 'a', due: when as LocalDateTime });
    return { noClassDays };
  };

checkCases(noClassDay, {
  fires: [
    {
      name: 'a weekly series has a date in the break',
      build: events('Lab', 'DTSTART;TZID=Europe/Dublin:20270112T140000', 'RRULE:FREQ=WEEKLY;COUNT=12'),
      subjects: [['s']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({
          action: 'exclude-occurrence',
          params: { occurrences: { s: ['2027-03-16T14:00:00'] } },
        }),
    },
    {
      name: 'in UTC',
      build: events('Lab', 'DTSTART:20270112T140000Z', 'RRULE:FREQ=WEEKLY;COUNT=12'),
      subjects: [['s']],
    },
    {
      name: 'all-day',
      build: events('Field day', 'DTSTART;VALUE=DATE:20270112', 'RRULE:FREQ=WEEKLY;COUNT=12'),
      subjects: [['s']],
    },
    {
      name: 'a single event: another day is yours to choose',
      build: events('Talk', 'DTSTART;TZID=Europe/Dublin:20270317T100000'),
      subjects: [['s']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
    {
      name: 'daily: three dates go',
      build: events('Watch', 'DTSTART;TZID=Europe/Dublin:20270310T080000', 'RRULE:FREQ=DAILY;COUNT=10'),
      subjects: [['s']],
    },
    {
      name: 'a due date',
      build: due('2027-03-15T23:59:59'),
      subjects: [['a']],
      expect: ([f]) => expect(f!.remedy).toBeNull(),
    },
  ],
  silent: [
    {
      name: 'a single event named spring break',
      build: events('Spring break: no classes', 'DTSTART;VALUE=DATE:20270315'),
    },
    { name: 'closed', build: events('Library closed', 'DTSTART;VALUE=DATE:20270315') },
    { name: 'the day before', build: events('Talk', 'DTSTART;TZID=Europe/Dublin:20270314T100000') },
    { name: 'the day after', build: events('Talk', 'DTSTART;TZID=Europe/Dublin:20270318T100000') },
    {
      name: 'the date was taken out already',
      build: events(
        'Lab',
        'DTSTART;TZID=Europe/Dublin:20270112T140000',
        'RRULE:FREQ=WEEKLY;COUNT=12',
        'EXDATE;TZID=Europe/Dublin:20270316T140000',
      ),
    },
    { name: 'due on a class day', build: due('2027-03-18T23:59:59') },
    {
      name: 'no days without class',
      build: () => ({ items: [], homePages: [{ ref: itemRef('h'), title: 'H', inUse: null }] }),
    },
  ],
});
