import type { CourseEvent } from '@/core/shell/model';
import type { LocalDateTime } from '@/core/dates/local-date';
import { readCalendar } from '@/formats/icalendar/read-calendar';
import { checkCases, day } from '../__tests__/check-cases';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { dueMismatch } from './due-mismatch';

const calendar = (title: string, ...lines: string[]): readonly CourseEvent[] => {
  const text = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'BEGIN:VEVENT',
    'UID:e',
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
  return read.value.events;
};
const april = 'DTSTART;TZID=Europe/Dublin:20270430T170000';
const build =
  (title: string, start: string, due: string | null = '2027-05-07T23:59:59', ...more: string[]) =>
  (c: ShellComposer) => {
    c.assignment('Site report', '<p>x</p>', 60, { ref: 'a', due: due as LocalDateTime | null });
    return { events: calendar(title, start, ...more), timeZone: 'Europe/Dublin' };
  };

checkCases(dueMismatch, {
  fires: [
    {
      name: '“X due”',
      build: build('Site report due', april),
      subjects: [['a', 'e']],
      expect: ([f]) =>
        expect(f!.remedy).toMatchObject({
          action: 're-date',
          params: { dates: { e: { start: '2027-05-07T17:00:00' } } },
        }),
    },
    { name: '“Due: X”', build: build('Due: Site report', april), subjects: [['a', 'e']] },
    { name: '“X deadline”', build: build('Site report – deadline', april), subjects: [['a', 'e']] },
    { name: '“Deadline for X”', build: build('Deadline for site report', april), subjects: [['a', 'e']] },
    {
      name: '“X (due)”, all day',
      build: build('Site report (due)', 'DTSTART;VALUE=DATE:20270430'),
      subjects: [['a', 'e']],
    },
    {
      name: '“Submit X”, in UTC',
      build: build('Submit Site report', 'DTSTART:20270430T160000Z', undefined, 'DTEND:20270430T170000Z'),
      subjects: [['a', 'e']],
    },
  ],
  silent: [
    { name: 'the same day', build: build('Site report due', 'DTSTART;TZID=Europe/Dublin:20270507T170000') },
    { name: 'no word of a deadline', build: build('Site report', april) },
    { name: 'another activity', build: build('Photo essay due', april) },
    { name: 'the activity has no due date', build: build('Site report due', april, null) },
    { name: 'a series', build: build('Site report due', april, undefined, 'RRULE:FREQ=WEEKLY;COUNT=2') },
    {
      name: 'one of two activities of that name is due that day',
      build: (c) => {
        c.assignment('Site report', '<p>y</p>', 60, {
          ref: 'b',
          due: '2027-04-30T23:59:59' as LocalDateTime,
        });
        return build('Site report due', april)(c);
      },
    },
    { name: 'only talks about it', build: build('Talk on the site report due next week', april) },
  ],
});
