import type { CourseEvent, Shell } from '@/core/shell/model';
import { emptyShell } from '@/core/shell/empty-shell';
import { readCalendar } from '@/formats/icalendar/read-calendar';
import { writeCalendar } from '@/formats/icalendar/write-calendar';
import {
  cannotMove,
  deleteEvents,
  dropLinks,
  endSeries,
  excludeDates,
  moveEvents,
  renameEvent,
} from './change-events';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';

const timeZone = 'Europe/Dublin';
const until = '2027-05-07' as LocalDate;

/** A shell with one calendar: each event is its own lines. */
function shellWith(...events: (readonly string[])[]): Shell {
  const lines = events.flatMap((more) => [
    'BEGIN:VEVENT',
    'UID:e',
    'DTSTAMP:20261201T080000Z',
    'SUMMARY:Lab',
    ...more,
    'END:VEVENT',
  ]);
  const text = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//x//EN', ...lines, 'END:VCALENDAR', ''];
  return {
    ...emptyShell,
    timeZone,
    term: { title: '', start: null, end: until },
    ...read(text.join('\r\n')),
  };
}
function read(text: string): Pick<Shell, 'events' | 'calendar'> {
  const result = readCalendar(text, 'x.ics', { wanted: timeZone, otherwise: 'UTC' }, until);
  if (!result.ok) throw new Error(result.trouble.message);
  return { events: result.value.events, calendar: result.value.frame };
}
const event = (shell: Shell, ref = 'e'): CourseEvent => shell.events.find((e) => e.ref === ref)!;
const days = (shell: Shell, ref = 'e') => event(shell, ref).occurrences.map((o) => o.slice(5, 10));
/** What is written is what the reader reads again: every event, property for property. */
const readsBack = (shell: Shell) =>
  expect(read(writeCalendar(shell.events, shell.calendar!)).events).toEqual(shell.events);
const ended = (shell: Shell) => endSeries(shell, new Map([['e', until]]));

const starts = [
  'DTSTART;TZID=Europe/Dublin:20270112T140000',
  'DTSTART:20270112T140000Z',
  'DTSTART:20270112T140000',
  'DTSTART;VALUE=DATE:20270112',
  'DTSTART;TZID=America/Toronto:20270112T090000',
];

test.each(starts)('a series of %s ends on a day', (start) => {
  for (const rule of ['FREQ=WEEKLY', 'FREQ=WEEKLY;COUNT=40', 'FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,TH']) {
    const shell = ended(shellWith([start, `RRULE:${rule}`]));
    expect(days(shell).length).toBeGreaterThan(3);
    expect(event(shell).occurrences.every((o) => o.slice(0, 10) <= until)).toBe(true);
    readsBack(shell);
  }
});

test.each(starts)('a date of %s is taken out', (start) => {
  const shell = shellWith([start, 'RRULE:FREQ=WEEKLY;COUNT=12']);
  const third = event(shell).occurrences[2]!;
  const left = excludeDates(shell, new Map([['e', [third]]]));
  expect(event(left).occurrences).toEqual(event(shell).occurrences.filter((o) => o !== third));
  readsBack(left);
});

test.each(starts)(
  'an event of %s moves and stays as long as it was, a series with all its dates',
  (start) => {
    const to = `2027-01-14T${start.includes('VALUE=DATE') ? '00:00:00' : '10:00:00'}` as LocalDateTime;
    for (const rule of [[], ['RRULE:FREQ=WEEKLY;BYDAY=TU;COUNT=4'], ['RRULE:FREQ=WEEKLY;COUNT=4']]) {
      const shell = shellWith([start, 'DURATION:P1D', ...rule]);
      const moved = moveEvents(shell, new Map([['e', to]]));
      expect(event(moved).start).toBe(to);
      const length = (e: CourseEvent) => Date.parse(`${e.end}Z`) - Date.parse(`${e.start}Z`);
      expect(length(event(moved))).toBe(length(event(shell)));
      if (rule.length) expect(days(moved)).toEqual(['01-14', '01-21', '01-28', '02-04']);
      readsBack(moved);
    }
  },
);

test('a rule that names its days by their number is not moved by part of a week', () => {
  const shell = shellWith([starts[0]!, 'RRULE:FREQ=MONTHLY;BYDAY=2TU']);
  expect(cannotMove(shell, event(shell), '2027-01-13T14:00:00' as LocalDateTime)).toMatch(/names its days/);
  expect(cannotMove(shell, event(shell), '2027-01-19T14:00:00' as LocalDateTime)).toBeNull();
});

describe('overrides (RFC 5545, 3.8.4.4)', () => {
  const series = [starts[0]!, 'RRULE:FREQ=WEEKLY;COUNT=5'];
  const second = 'RECURRENCE-ID;TZID=Europe/Dublin:20270119T140000';
  const moved = [second, 'DTSTART;TZID=Europe/Dublin:20270121T100000'];

  test('one that is deleted does not bring the original date back', () => {
    const shell = deleteEvents(shellWith(series, moved), new Set(['e#20270119T140000']));
    expect(days(shell)).toEqual(['01-12', '01-26', '02-02', '02-09']);
    readsBack(shell);
  });
  test('a series takes its overrides along', () => {
    expect(deleteEvents(shellWith(series, moved), new Set(['e'])).events).toEqual([]);
  });
  test('overrides of later dates go with the end of the series', () => {
    const shell = endSeries(shellWith(series, moved), new Map([['e', '2027-01-14' as LocalDate]]));
    expect(shell.events.map((e) => e.ref)).toEqual(['e']);
    expect(days(shell)).toEqual(['01-12']);
    readsBack(shell);
  });
  test('one for this and all future dates moves all of them', () => {
    const range = ['RECURRENCE-ID;RANGE=THISANDFUTURE;TZID=Europe/Dublin:20270119T140000', moved[1]!];
    const shell = shellWith(series, range);
    expect(days(shell)).toEqual(['01-12']);
    expect(days(shell, 'e#20270119T140000')).toEqual(['01-21', '01-28', '02-04', '02-11']);
    expect(event(shell, 'e#20270119T140000').occurrences[1]).toBe('2027-01-28T10:00:00');
    const left = deleteEvents(shell, new Set(['e#20270119T140000']));
    expect(days(left)).toEqual(['01-12']);
    readsBack(left);
  });
  test('a later single override stands inside the future of another', () => {
    const range = ['RECURRENCE-ID;RANGE=THISANDFUTURE;TZID=Europe/Dublin:20270119T140000', moved[1]!];
    const single = [
      'RECURRENCE-ID;TZID=Europe/Dublin:20270202T140000',
      'DTSTART;TZID=Europe/Dublin:20270205T090000',
    ];
    const shell = shellWith(series, range, single);
    expect(days(shell, 'e#20270119T140000')).toEqual(['01-21', '01-28', '02-11']);
    expect(days(shell, 'e#20270202T140000')).toEqual(['02-05']);
  });
});

test('a text with line breaks and marks stays one property (RFC 5545, 3.3.11)', () => {
  const title = 'Lab;\r\nBEGIN:VEVENT\\, twice';
  const shell = renameEvent(shellWith([starts[0]!, `DESCRIPTION:${'ö'.repeat(90)}`]), 'e', title);
  expect(shell.events).toHaveLength(1);
  expect(event(shell).title.replace(/\r/g, '')).toBe(title.replace(/\r/g, ''));
  // What was changed is folded (3.1); what was not stays as it was written.
  const lines = event(shell).source.split('\r\n');
  expect(lines.filter((line) => Buffer.byteLength(line) > 75)).toEqual([`DESCRIPTION:${'ö'.repeat(90)}`]);
});

test('extra dates behind the end go', () => {
  const rdate = 'RDATE;TZID=Europe/Dublin:20270302T140000,20270615T140000';
  const shell = ended(shellWith([starts[0]!, 'RRULE:FREQ=WEEKLY;COUNT=3', rdate]));
  expect(days(shell)).toEqual(['01-12', '01-19', '01-26', '03-02']);
  readsBack(shell);
});

test('an address is taken out of an event wherever it stands; what else is said there stays', () => {
  const link = 'https://meet.example.org/old';
  const before = shellWith([
    starts[0]!,
    `URL:${link}`,
    `CONFERENCE;VALUE=URI:${link}`,
    `LOCATION:${link}`,
    `DESCRIPTION:Join at ${link} or ${link}-room\\, bring the sheet`,
  ]);
  const after = dropLinks(before, new Map([['e', new Set([link])]]));
  expect(event(after).location).toBe('');
  expect(event(after).source).not.toMatch(/^(URL|CONFERENCE|LOCATION)/m);
  expect(event(after).description).toBe(`Join at or ${link}-room, bring the sheet`);
  const both = dropLinks(before, new Map([['e', new Set([link, `${link}-room`])]]));
  expect(event(both).description).toBe('Join at or , bring the sheet');
  readsBack(after);
});
