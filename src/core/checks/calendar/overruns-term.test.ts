import type { LocalDateTime } from '@/core/dates/local-date';
import { readCalendar } from '@/formats/icalendar/read-calendar';
import { addDays } from '@/core/dates/local-date';
import { checkCases, day, spring } from '../__tests__/check-cases';
import { event } from '../__tests__/make-event';
import { overrunsTerm } from './overruns-term';

/** A series read from a calendar, so that its end can be written into it. */
const series =
  (...lines: string[]) =>
  () => {
    const text = [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'BEGIN:VEVENT',
      'UID:s',
      'DTSTAMP:20261201T080000Z',
      'SUMMARY:Open laboratory',
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
    return { events: read.value.events, timeZone: 'Europe/Dublin' };
  };
const dublin = 'DTSTART;TZID=Europe/Dublin:20270113T140000';

checkCases(overrunsTerm, {
  fires: [
    {
      name: 'weekly without an end',
      build: series(dublin, 'RRULE:FREQ=WEEKLY'),
      subjects: [['s']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({
          action: 'end-recurrence',
          params: { until: '2027-05-07' },
          kind: 'judgement',
        }),
    },
    {
      name: 'until June',
      build: series(dublin, 'RRULE:FREQ=WEEKLY;UNTIL=20270630T130000Z'),
      subjects: [['s']],
    },
    { name: 'thirty times', build: series(dublin, 'RRULE:FREQ=WEEKLY;COUNT=30'), subjects: [['s']] },
    { name: 'all-day', build: series('DTSTART;VALUE=DATE:20270113', 'RRULE:FREQ=WEEKLY'), subjects: [['s']] },
    {
      name: 'in UTC',
      build: series('DTSTART:20270113T140000Z', 'RRULE:FREQ=WEEKLY;INTERVAL=2'),
      subjects: [['s']],
    },
    {
      name: 'one extra date in June',
      build: series(dublin, 'RRULE:FREQ=WEEKLY;COUNT=4', 'RDATE;TZID=Europe/Dublin:20270615T140000'),
      subjects: [['s']],
    },
    {
      name: 'floating',
      build: series('DTSTART:20270113T140000', 'RRULE:FREQ=DAILY;UNTIL=20270510T140000'),
      subjects: [['s']],
    },
  ],
  silent: [
    { name: 'ends on the last day', build: series(dublin, 'RRULE:FREQ=WEEKLY;UNTIL=20270507T225959Z') },
    { name: 'a single event after the term', build: series('DTSTART:20270601T100000Z') },
    {
      name: 'a series wholly after the term',
      build: series('DTSTART:20270601T100000Z', 'RRULE:FREQ=WEEKLY;COUNT=3'),
    },
    {
      name: 'a series wholly before the term',
      build: series('DTSTART:20250901T100000Z', 'RRULE:FREQ=WEEKLY;COUNT=3'),
    },
    { name: 'sixteen times', build: series(dublin, 'RRULE:FREQ=WEEKLY;COUNT=16') },
    { name: 'no calendar', build: () => undefined },
  ],
});

test('a series with a date before and one after the term, and none in it, is another check’s', () => {
  const dates = [addDays(day('2027-01-11'), -30), addDays(day('2027-05-07'), 30)].map(
    (d) => `${d}T10:00:00` as LocalDateTime,
  );
  const shell = {
    ...spring,
    events: [
      event('s', 'X', dates[0]!, {
        recurrence: { rule: 'FREQ=YEARLY', extraDates: [], excludedDates: [] },
        occurrences: dates,
      }),
    ],
  };
  const found = [...overrunsTerm.find({ shell: shell as never, facts: {}, options: {}, rules: {} as never })];
  expect(found).toEqual([]);
});
