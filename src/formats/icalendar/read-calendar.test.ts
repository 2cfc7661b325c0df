import { RRule } from 'rrule';
import type { LocalDate } from '@/core/dates/local-date';
import { readCalendar } from './read-calendar';
import { splitComponents } from './split-components';
import { writeCalendar } from './write-calendar';

const calendar = (...events: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//y//EN', ...events, 'END:VCALENDAR', ''].join('\r\n');
const event = (...lines: string[]) =>
  ['BEGIN:VEVENT', 'UID:u1', 'DTSTAMP:19970901T130000Z', ...lines, 'END:VEVENT'].join('\r\n');
const read = (text: string, wanted: string | null = null, until: LocalDate | null = null) => {
  const result = readCalendar(text, 'c.ics', { wanted, otherwise: 'America/New_York' }, until);
  if (!result.ok) throw new Error(result.trouble.message);
  return result.value;
};
const dates = (...lines: string[]) =>
  read(calendar(event(...lines))).events[0]!.occurrences.map((o) => o.slice(0, 10));

describe('recurrence: examples of RFC 5545, section 3.8.5.3', () => {
  const start = 'DTSTART;TZID=America/New_York:19970902T090000';
  test('daily for 10 occurrences', () =>
    expect(dates(start, 'RRULE:FREQ=DAILY;COUNT=10')).toEqual(
      [2, 3, 4, 5, 6, 7, 8, 9, 10, 11].map((d) => `1997-09-${String(d).padStart(2, '0')}`),
    ));
  test('daily until December 24, 1997', () => {
    const all = dates(start, 'RRULE:FREQ=DAILY;UNTIL=19971224T000000Z');
    expect([all.length, all[0], all.at(-1)]).toEqual([113, '1997-09-02', '1997-12-23']);
  });
  test('every other day', () =>
    expect(dates(start, 'RRULE:FREQ=DAILY;INTERVAL=2;COUNT=4')).toEqual([
      '1997-09-02',
      '1997-09-04',
      '1997-09-06',
      '1997-09-08',
    ]));
  test('weekly on Tuesday and Thursday for five weeks', () =>
    expect(dates(start, 'RRULE:FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH')).toEqual([
      '1997-09-02',
      '1997-09-04',
      '1997-09-09',
      '1997-09-11',
      '1997-09-16',
      '1997-09-18',
      '1997-09-23',
      '1997-09-25',
      '1997-09-30',
      '1997-10-02',
    ]));
  test('monthly on the first Friday for 10 occurrences', () =>
    expect(
      dates('DTSTART;TZID=America/New_York:19970905T090000', 'RRULE:FREQ=MONTHLY;COUNT=10;BYDAY=1FR'),
    ).toEqual([
      '1997-09-05',
      '1997-10-03',
      '1997-11-07',
      '1997-12-05',
      '1998-01-02',
      '1998-02-06',
      '1998-03-06',
      '1998-04-03',
      '1998-05-01',
      '1998-06-05',
    ]));
  test('monthly on the second-to-last Monday for 6 months', () =>
    expect(
      dates('DTSTART;TZID=America/New_York:19970922T090000', 'RRULE:FREQ=MONTHLY;COUNT=6;BYDAY=-2MO'),
    ).toEqual(['1997-09-22', '1997-10-20', '1997-11-17', '1997-12-22', '1998-01-19', '1998-02-16']));
  test('every Friday the 13th', () =>
    expect(
      dates(
        start,
        'EXDATE;TZID=America/New_York:19970902T090000',
        'RRULE:FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13;COUNT=6',
      ).slice(0, 5),
    ).toEqual(['1998-02-13', '1998-03-13', '1998-11-13', '1999-08-13', '2000-10-13']));
  test('the week start matters: WKST=MO and WKST=SU differ', () => {
    const from = 'DTSTART;TZID=America/New_York:19970805T090000';
    expect(dates(from, 'RRULE:FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO')).toEqual([
      '1997-08-05',
      '1997-08-10',
      '1997-08-19',
      '1997-08-24',
    ]);
    expect(dates(from, 'RRULE:FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU')).toEqual([
      '1997-08-05',
      '1997-08-17',
      '1997-08-19',
      '1997-08-31',
    ]);
  });
  test('an invalid date is left out', () =>
    expect(
      dates('DTSTART;TZID=America/New_York:20070115T090000', 'RRULE:FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5'),
    ).toEqual(['2007-01-15', '2007-01-30', '2007-02-15', '2007-03-15', '2007-03-30']));
});

test('a second opinion: the library rrule agrees over 1,000 generated rules', () => {
  const days = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];
  let seed = 1;
  const random = (below: number) => (seed = (seed * 48271) % 2147483647) % below;
  const some = <T>(list: readonly T[], most: number) => [
    ...new Set(Array.from({ length: 1 + random(most) }, () => list[random(list.length)]!)),
  ];
  const ruleOf = (n: number): string => {
    const tail = `;INTERVAL=${1 + random(4)}${random(3) === 0 ? ';UNTIL=20290630T100000Z' : `;COUNT=${2 + random(14)}`}`;
    switch (n % 7) {
      case 0:
        return `FREQ=DAILY${tail}`;
      case 1:
        return `FREQ=WEEKLY;BYDAY=${some(days, 4).join(',')}${random(2) ? ';WKST=SU' : ''}${tail}`;
      case 2:
        return `FREQ=MONTHLY;BYMONTHDAY=${some([1, 2, 5, 12, 15, 27, 28, -1, -3], 3).join(',')}${tail}`;
      case 3:
        return `FREQ=MONTHLY;BYDAY=${some([1, 2, 3, 4, -1, -2], 2)
          .map((k) => `${k}${days[random(7)]}`)
          .join(',')}${tail}`;
      case 4:
        return `FREQ=YEARLY;BYMONTH=${some([1, 2, 3, 6, 9, 11], 3).join(',')};BYMONTHDAY=${1 + random(28)}${tail}`;
      case 5:
        return `FREQ=DAILY;BYDAY=${some(days, 5).join(',')}${tail.replace(/INTERVAL=\d/, 'INTERVAL=1')}`;
      default:
        return `FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=${some([1, 2, -1], 2).join(',')}${tail}`;
    }
  };
  const told: string[] = [];
  let compared = 0;
  for (let n = 0; compared < 1000; n += 1) {
    const rule = ruleOf(n);
    // The start counts as the first occurrence (RFC 5545, 3.8.5.3), so it is set to one that the rule gives.
    const first = RRule.fromString(
      `DTSTART:20270105T100000Z\nRRULE:${rule.replace(/;(COUNT|UNTIL)=[^;]*/, '')};COUNT=1`,
    ).all()[0];
    if (!first || first.getUTCFullYear() > 2028) continue;
    const start = `${first.toISOString().slice(0, 19).replace(/[-:]/g, '')}Z`;
    const expected = RRule.fromString(`DTSTART:${start}\nRRULE:${rule}`)
      .all()
      .map((d) => d.toISOString().slice(0, 10));
    const ours = read(calendar(event(`DTSTART:${start}`, `RRULE:${rule}`)), 'UTC').events[0]!.occurrences.map(
      (o) => o.slice(0, 10),
    );
    compared += 1;
    if (ours.join() !== expected.join())
      told.push(`${start} ${rule}: ${ours.join(' ')} / ${expected.join(' ')}`);
  }
  expect(told).toEqual([]);
});

test.each([
  'FREQ=DAILY;INTERVAL=45',
  'FREQ=DAILY;INTERVAL=366',
  'FREQ=DAILY;INTERVAL=999',
  'FREQ=DAILY;INTERVAL=50;BYMONTH=1,3,12',
  'FREQ=WEEKLY;INTERVAL=5;BYDAY=TU,SA',
  'FREQ=WEEKLY;INTERVAL=30;BYDAY=TU;WKST=SU',
  'FREQ=WEEKLY;INTERVAL=52;BYDAY=MO,TU,WE,TH,FR,SA,SU',
  'FREQ=WEEKLY;INTERVAL=9;BYDAY=TU;BYMONTH=1,2,6',
  'FREQ=MONTHLY;INTERVAL=14;BYMONTHDAY=5,28',
])('a second opinion on far steps: the library rrule agrees about %s', (rule) => {
  const ends = `${rule};UNTIL=20460630T100000Z`;
  const expected = RRule.fromString(`DTSTART:20270105T100000Z\nRRULE:${ends}`).all();
  const dates = read(calendar(event('DTSTART:20270105T100000Z', `RRULE:${ends}`)), 'UTC').events[0]!
    .occurrences;
  expect(dates.length).toBeGreaterThan(3);
  expect(dates.map((at) => at.slice(0, 10))).toEqual(expected.map((at) => at.toISOString().slice(0, 10)));
});

describe('events', () => {
  test('times come to the shell’s clock, across daylight saving', () => {
    const text = calendar(
      event('SUMMARY:A', 'DTSTART:20270328T120000Z', 'DTEND:20270328T130000Z'),
      event('SUMMARY:B', 'DTSTART:20270327T120000Z', 'DURATION:PT90M').replace('u1', 'u2'),
    );
    expect(read(text, 'Europe/Dublin').events.map((e) => [e.start, e.end])).toEqual([
      ['2027-03-28T13:00:00', '2027-03-28T14:00:00'],
      ['2027-03-27T12:00:00', '2027-03-27T13:30:00'],
    ]);
  });
  test('whole days stay the days they are', () => {
    const [e] = read(calendar(event('DTSTART;VALUE=DATE:20270315'))).events;
    expect(e).toMatchObject({
      allDay: true,
      start: '2027-03-15T00:00:00',
      end: '2027-03-16T00:00:00',
      title: '(untitled)',
    });
  });
  test('links come from URL, conference (RFC 7986), place and description', () => {
    const [e] = read(
      calendar(
        event(
          'DTSTART:20270315T100000Z',
          'URL:https://a.example/1',
          'CONFERENCE;VALUE=URI;FEATURE=VIDEO:https://b.example/join/2',
          'LOCATION:https://c.example/3',
          'DESCRIPTION:Join at https://d.example/4\\, please.',
        ),
      ),
    ).events;
    expect(e!.links).toEqual([
      'https://a.example/1',
      'https://b.example/join/2',
      'https://c.example/3',
      'https://d.example/4',
    ]);
  });
  test('an override stands for its occurrence; equal UIDs are told apart', () => {
    const { events, notes } = read(
      calendar(
        event('DTSTART:20270104T100000Z', 'RRULE:FREQ=WEEKLY;COUNT=3'),
        event('RECURRENCE-ID:20270111T100000Z', 'DTSTART:20270112T100000Z'),
        event('DTSTART:20270601T100000Z', 'SUMMARY:other'),
      ),
      'UTC',
    );
    expect(events.map((e) => e.ref)).toEqual(['u1', 'u1#20270111T100000Z', 'u1~2']);
    expect(events[0]!.occurrences.map((o) => o.slice(0, 10))).toEqual(['2027-01-04', '2027-01-18']);
    expect(notes.map((n) => n.code)).toEqual(['uid-twice']);
  });
  test('an endless series ends a year after the term', () => {
    const [e] = read(
      calendar(event('DTSTART:20200106T100000Z', 'RRULE:FREQ=WEEKLY')),
      'UTC',
      '2021-01-01' as LocalDate,
    ).events;
    expect(e!.occurrences.at(-1)! < '2022-01-10').toBe(true);
  });
  test('one bad event is reported and left out, the rest is read', () => {
    const { events, notes } = read(
      calendar(
        'BEGIN:VEVENT\r\nSUMMARY:no uid\r\nEND:VEVENT',
        event('DTSTART:20270104T100000Z'),
        'BEGIN:VEVENT\r\nUID:cut',
      ),
    );
    expect(events.map((e) => e.uid)).toEqual(['u1']);
    expect(notes.map((n) => [n.code, n.where])).toEqual([
      ['calendar-cut-short', 'c.ics, line 12'],
      ['event-unreadable', 'c.ics, line 4'],
    ]);
  });
  test('the calendar’s own time zone is taken where nobody names one', () => {
    expect(
      readCalendar(
        calendar(
          'BEGIN:VTIMEZONE\r\nTZID:Europe/Dublin\r\nEND:VTIMEZONE',
          event('DTSTART;TZID=Europe/Dublin:20270601T100000'),
        ),
        'c',
        { wanted: null, otherwise: 'UTC' },
        null,
      ),
    ).toMatchObject({
      ok: true,
      value: { timeZone: 'Europe/Dublin', events: [{ start: '2027-06-01T10:00:00' }] },
    });
  });
  test.each(['', 'hello', 'BEGIN:VCARD\nEND:VCARD'])('%j is no calendar', (text) => {
    const result = readCalendar(text, 'x.ics', { wanted: null, otherwise: 'UTC' }, null);
    expect(!result.ok && result.trouble.message).toMatch(
      /^“x.ics” is not an iCalendar file: .* Export the calendar as .ics.$/,
    );
  });
});

test('what was not changed is written property for property as it was read', () => {
  const text = calendar(
    'BEGIN:VTIMEZONE\r\nTZID:Europe/Dublin\r\nEND:VTIMEZONE',
    event(
      'X-OTHER;P=1:kept',
      'DTSTART:20270104T100000Z',
      'DESCRIPTION:a long line that was fol',
      ' ded by its maker',
      'BEGIN:VALARM\r\nACTION:DISPLAY\r\nEND:VALARM',
    ),
    'BEGIN:VTODO\r\nUID:t\r\nEND:VTODO',
  );
  const { events, frame } = read(text);
  expect(writeCalendar(events, frame)).toBe(text);
  expect(splitComponents(writeCalendar([], frame))!.events).toEqual([]);
});
