import { readCalendar } from '@/formats/icalendar/read-calendar';
import { writeCalendar } from '@/formats/icalendar/write-calendar';
import type { CourseEvent } from '@/core/shell/model';
import { endSeries, excludeDates, moveEvent } from './event-source';
import type { LocalDate, LocalDateTime } from './local-date';

const zone = 'Europe/Dublin';
const until = '2027-05-07' as LocalDate;
const wrap = (lines: readonly string[]) =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//x//x//EN',
    'BEGIN:VEVENT',
    'UID:e',
    'DTSTAMP:20261201T080000Z',
    'SUMMARY:Lab',
    ...lines,
    'END:VEVENT',
    'END:VCALENDAR',
    '',
  ].join('\r\n');
const read = (text: string): CourseEvent => {
  const result = readCalendar(text, 'x.ics', { wanted: zone, otherwise: 'UTC' }, until);
  if (!result.ok) throw new Error(result.trouble.message);
  return result.value.events[0]!;
};
/** What is written is what the reader reads again: the whole event, property for property. */
const readsBack = (event: CourseEvent) =>
  expect(read(writeCalendar([event], { head: 'VERSION:2.0', others: [] }))).toEqual(event);

const starts = [
  'DTSTART;TZID=Europe/Dublin:20270112T140000',
  'DTSTART:20270112T140000Z',
  'DTSTART:20270112T140000',
  'DTSTART;VALUE=DATE:20270112',
  'DTSTART;TZID=America/Toronto:20270112T090000',
];

test.each(starts)('a series of %s ends on a day', (start) => {
  for (const rule of [
    'RRULE:FREQ=WEEKLY',
    'RRULE:FREQ=WEEKLY;COUNT=40',
    'RRULE:FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,TH;UNTIL=20270901T000000Z',
  ]) {
    if (/VALUE=DATE/.test(start) && /UNTIL/.test(rule)) continue;
    const ended = endSeries(read(wrap([start, rule])), until, zone);
    expect(ended.occurrences.length).toBeGreaterThan(3);
    expect(ended.occurrences.every((o) => o.slice(0, 10) <= until)).toBe(true);
    readsBack(ended);
  }
});

test.each(starts)('a date of %s is taken out', (start) => {
  const event = read(wrap([start, 'RRULE:FREQ=WEEKLY;COUNT=12']));
  const third = event.occurrences[2]!;
  const made = excludeDates(event, [third], zone);
  expect(made.occurrences).toEqual(event.occurrences.filter((o) => o !== third));
  readsBack(made);
});

test.each(starts)('a single event of %s moves and stays as long as it was', (start) => {
  const end = start
    .replace('DTSTART', 'DTEND')
    .replace('0112T', '0112T')
    .replace('T140000', 'T165000')
    .replace('T090000', 'T115000')
    .replace(/:20270112$/, ':20270113');
  const event = read(wrap([start, end]));
  const moved = moveEvent(
    event,
    `2027-04-20T${event.allDay ? '00:00:00' : '10:00:00'}` as LocalDateTime,
    zone,
  );
  expect(moved.start.slice(0, 10)).toBe('2027-04-20');
  expect(Date.parse(`${moved.end}Z`) - Date.parse(`${moved.start}Z`)).toBe(
    Date.parse(`${event.end}Z`) - Date.parse(`${event.start}Z`),
  );
  readsBack(moved);
});

test('lines are folded at 75 octets and never inside a character (RFC 5545, 3.1)', () => {
  const event = read(wrap([starts[0]!, 'RRULE:FREQ=WEEKLY', `DESCRIPTION:${'ö'.repeat(90)}`]));
  const made = endSeries(event, until, zone);
  expect(made.source.split('\r\n').every((l) => Buffer.byteLength(l) <= 75)).toBe(true);
  expect(made.description).toBe(event.description);
  readsBack(made);
});

test('extra dates behind the end go', () => {
  const event = read(
    wrap([
      starts[0]!,
      'RRULE:FREQ=WEEKLY;COUNT=3',
      'RDATE;TZID=Europe/Dublin:20270302T140000,20270615T140000',
    ]),
  );
  const made = endSeries(event, until, zone);
  expect(made.occurrences.map((o) => o.slice(5, 10))).toEqual(['01-12', '01-19', '01-26', '03-02']);
  readsBack(made);
});
