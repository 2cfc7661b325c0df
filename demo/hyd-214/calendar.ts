import { day } from '../day';
import { elementAt } from '@/core/sure';
import { addDays, type LocalDate } from '@/core/dates/local-date';

const fold = (line: string): string => line.replace(/(.{72})(?=.)/gu, '$1\r\n ');
const escape = (text: string): string => text.replace(/[\\;,]/g, (c) => `\\${c}`).replace(/\n/g, '\\n');
const compact = (day: LocalDate) => day.replace(/-/g, '');

interface EventLine {
  readonly uid: string;
  readonly title: string;
  readonly day: LocalDate;
  readonly from: string;
  readonly to: string;
  readonly made: string;
  readonly url?: string;
  readonly place?: string;
  readonly text?: string;
}

function event(e: EventLine): string {
  const lines = [
    'BEGIN:VEVENT',
    `UID:${e.uid}`,
    `DTSTAMP:${e.made}`,
    `CREATED:${e.made}`,
    `DTSTART;TZID=Europe/Dublin:${compact(e.day)}T${e.from}00`,
    `DTEND;TZID=Europe/Dublin:${compact(e.day)}T${e.to}00`,
    `SUMMARY:${escape(e.title)}`,
    ...(e.place ? [`LOCATION:${escape(e.place)}`] : []),
    ...(e.url ? [`URL:${e.url}`, `CONFERENCE;VALUE=URI;FEATURE=VIDEO:${e.url}`] : []),
    ...(e.text ? [`DESCRIPTION:${escape(e.text)}`] : []),
    'END:VEVENT',
  ];
  return lines.map(fold).join('\r\n');
}

const zone = `BEGIN:VTIMEZONE
TZID:Europe/Dublin
BEGIN:STANDARD
DTSTART:19961027T020000
RRULE:FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU
TZOFFSETFROM:+0100
TZOFFSETTO:+0000
TZNAME:GMT
END:STANDARD
BEGIN:DAYLIGHT
DTSTART:19810329T010000
RRULE:FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU
TZOFFSETFROM:+0000
TZOFFSETTO:+0100
TZNAME:IST
END:DAYLIGHT
END:VTIMEZONE`.replace(/\n/g, '\r\n');

const calendar = (events: readonly string[]) =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//Tarn Hollow College//Calendar//EN',
    zone,
    ...events,
    'END:VCALENDAR',
    '',
  ].join('\r\n');

/** Three series of last autumn, 32 meetings each: what a copy moved along by 504 days, and what it was made from. */
const series = [
  {
    key: 'lab-a',
    title: 'Lab section A',
    days: [2, 4],
    from: '1400',
    to: '1650',
    made: '20250818T081500Z',
    place: 'Laboratory 2',
  },
  {
    key: 'lab-b',
    title: 'Lab section B',
    days: [1, 3],
    from: '1000',
    to: '1250',
    made: '20250819T093000Z',
    place: 'Laboratory 2',
  },
  {
    key: 'hour',
    title: 'Office hour on the screen',
    days: [0, 2],
    from: '1700',
    to: '1750',
    made: '20250820T160000Z',
    place: '',
  },
] as const;

function oldSeries(start: LocalDate, prefix: string): string[] {
  return series.flatMap((s) =>
    Array.from({ length: 32 }, (_, k) => {
      const day = addDays(start, 7 * Math.floor(k / 2) + elementAt(s.days, k % 2));
      const url = `https://rooms.meetings.example/join/${s.key}-autumn-2025`;
      return event({
        uid: `${prefix}-${s.key}-${k + 1}@tarnhollow.example`,
        title: s.title,
        day,
        from: s.from,
        to: s.to,
        made: s.made,
        url,
        place: s.place,
        text: `Join five minutes early: ${url}`,
      });
    }),
  );
}

/** What was planned for this spring, made in December. */
function freshEvents(start: LocalDate): string[] {
  const lectures = Array.from({ length: 15 }, (_, k) =>
    event({
      uid: `lecture-${k + 1}@tarnhollow.example`,
      title: 'Lecture',
      day: addDays(start, 7 * (k < 9 ? k : k + 1)),
      from: '0900',
      to: '0950',
      made: `202612${String(7 + (k % 5)).padStart(2, '0')}T10${String(k * 3).padStart(2, '0')}00Z`,
      place: 'Hall 3',
    }),
  );
  const days = [
    'Field day at Alder Bridge',
    'Field day at Mill Weir',
    'Field day at Otter Riffle',
    'Night at Otter Riffle',
    'Field day at Fallow Ford',
    'Spare field day',
  ].map((title, k) =>
    event({
      uid: `field-day-${k + 1}@tarnhollow.example`,
      title,
      day: addDays(start, 9 + 14 * k),
      from: '0815',
      to: '1600',
      made: `20261214T11${String(k * 7).padStart(2, '0')}00Z`,
      place: 'North gate',
    }),
  );
  const rest = ['Kit store opens', 'Poster afternoon', 'Kit handed back'].map((title, k) =>
    event({
      uid: `single-${k + 1}@tarnhollow.example`,
      title,
      day: addDays(start, elementAt([1, 108, 113], k)),
      from: '1400',
      to: '1600',
      made: `20261215T0${k}1000Z`,
    }),
  );
  return [...lectures, ...days, ...rest];
}

export const springCalendar = (): string =>
  calendar([...oldSeries(day('2027-01-11'), 'copy'), ...freshEvents(day('2027-01-11'))]);
export const autumnCalendar = (): string => calendar(oldSeries(day('2025-08-25'), 'autumn'));
