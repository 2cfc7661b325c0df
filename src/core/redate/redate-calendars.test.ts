import { runs as runsOf } from '@/core/__tests__/runs';
import fc from 'fast-check';
import { allChecks } from '@/core/checks/run/registry';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { runPlan } from '@/core/plan/run-plan';
import { emptyShell } from '@/core/shell/empty-shell';
import type { Shell } from '@/core/shell/model';
import type { LocalDate } from '@/core/dates/local-date';
import { readCalendar } from '@/formats/icalendar/read-calendar';
import { writeCalendar } from '@/formats/icalendar/write-calendar';
import { plainAsk, redateModes, type RedateAsk } from './ask';
import { redate, redatingSteps } from './redate';

// Generated calendars with everything that the standard allows beside dates, moved from one term to another and back.
// What comes out is taken apart by a reader of content lines of its own (RFC 5545, 3.1), not by the library that wrote it.
const runs = runsOf(1000, 120);
const autumn = { title: '', start: '2025-08-25' as LocalDate, end: '2025-12-12' as LocalDate };
const spring = { title: '', start: '2027-01-11' as LocalDate, end: '2027-05-07' as LocalDate };
const rules = defaultHouseRules(allChecks);

const day = fc
  .integer({ min: 0, max: 95 })
  .map((n) => new Date(Date.UTC(2025, 8, 1 + n)).toISOString().slice(0, 10).replaceAll('-', ''));
const hour = fc.integer({ min: 0, max: 23 }).map((n) => String(n).padStart(2, '0'));
/** A form of DTSTART and the one of its end. */
const clockForm = fc.constantFrom('day', 'floating', 'utc', 'dublin', 'new-york', 'own');
const unusual = fc.subarray([
  'CONFERENCE;VALUE=URI;FEATURE=AUDIO,VIDEO;LABEL="Join, please":https://meet.example/join/1',
  'conference;value=URI;feature=PHONE,"CHAT":tel:+1-555-0100',
  'ATTENDEE;MEMBER="mailto:a@x.example","mailto:b@x.example";ROLE=CHAIR:mailto:c@x.example',
  'X-ODD;X-P=1,2;X-Q="a:b;c":keep\\, this \\; as it is\\n',
  'DESCRIPTION;ALTREP="cid:part1";LANGUAGE=en:Bring waders\\, nets and a very long list of other things that are nee\r\n ded in the field',
  'CATEGORIES:FIELD,"odd",Lab work',
  'GEO:53.1;-7.9',
  'IMAGE;VALUE=URI;DISPLAY=BADGE,THUMBNAIL;FMTTYPE=image/png:https://x.example/a.png',
  'COMMENT:Überraschung – eine Zeile mit vielen Zeichen die länger ist als fünfundsiebzig Oktette',
  'RESOURCES:EASEL,PROJECTOR',
  'X-EMPTY:',
]);
const repeats = fc.constantFrom(null, 'FREQ=WEEKLY;COUNT=4', 'FREQ=DAILY;COUNT=3', 'until');

const event = fc.record({
  day,
  hour,
  form: clockForm,
  lasts: fc.integer({ min: 1, max: 3 }),
  unusual,
  repeats,
  hasAlarm: fc.boolean(),
  isOverridden: fc.boolean(),
});
type Generated = typeof event extends fc.Arbitrary<infer T> ? T : never;

/**
 * Hours of the day that every day has: what begins in the hour that a change of the clock leaves out is put off by an
 * hour, and what is written in UTC keeps its time here, so that its own goes to and fro.
 */
const sure = (form: Generated['form'], at: string): string =>
  form === 'utc' || form === 'new-york' || form === 'dublin'
    ? String(6 + (Number(at) % 16)).padStart(2, '0')
    : at;

function moment({ form, hour }: Generated, on: string): string {
  const at = sure(form, hour);
  switch (form) {
    case 'day':
      return `;VALUE=DATE:${on}`;
    case 'floating':
      return `:${on}T${at}0000`;
    case 'utc':
      return `:${on}T${at}0000Z`;
    case 'dublin':
      return `;TZID=Europe/Dublin:${on}T${at}0000`;
    case 'new-york':
      return `;TZID=America/New_York:${on}T${at}0000`;
    case 'own':
      return `;X-VIA=calendar;TZID="House time":${on}T${at}0000`;
  }
}
const later = (on: string, days: number): string =>
  new Date(Date.UTC(Number(on.slice(0, 4)), Number(on.slice(4, 6)) - 1, Number(on.slice(6)) + days))
    .toISOString()
    .slice(0, 10)
    .replaceAll('-', '');

function spelled(one: Generated, n: number): string[] {
  const until =
    one.form === 'day'
      ? later(one.day, 14)
      : `${later(one.day, 14)}T235959${one.form === 'floating' ? '' : 'Z'}`;
  const rule = one.repeats === 'until' ? `FREQ=WEEKLY;UNTIL=${until}` : one.repeats;
  const about = [`UID:e${n}`, 'DTSTAMP:20250801T000000Z'];
  const end = `DTEND${moment(one, later(one.day, one.form === 'day' ? one.lasts : 0)).replace(/T(\d\d)0000/, 'T$15900')}`;
  const series = [
    'BEGIN:VEVENT',
    ...about,
    `DTSTART${moment(one, one.day)}`,
    end,
    `SUMMARY:Event ${n}`,
    ...(rule ? [`RRULE:${rule}`] : []),
    ...one.unusual,
  ];
  const alarm = one.hasAlarm
    ? ['BEGIN:VALARM', 'ACTION;X-A=1,2:DISPLAY', 'TRIGGER:-PT15M', 'DESCRIPTION:Soon', 'END:VALARM']
    : [];
  const whole = [...series, ...alarm, 'END:VEVENT'];
  // A series in UTC, or on a clock that only the calendar knows, keeps its hour here: its dates there are no longer
  // those of its rule after a change of the clock.
  if (!rule?.startsWith('FREQ=WEEKLY') || !one.isOverridden || one.form === 'utc' || one.form === 'own')
    return whole;
  const replaced = later(one.day, 7);
  return [
    ...whole,
    'BEGIN:VEVENT',
    ...about,
    `RECURRENCE-ID${moment(one, replaced)}`,
    `DTSTART${moment(one, later(replaced, 1))}`,
    `SUMMARY:Event ${n}, another day`,
    ...one.unusual,
    'END:VEVENT',
  ];
}

const houseTime = [
  'BEGIN:VTIMEZONE',
  'TZID:House time',
  'BEGIN:STANDARD',
  'DTSTART:19700101T000000',
  'TZOFFSETFROM:+0100',
  'TZOFFSETTO:+0100',
  'END:STANDARD',
  'END:VTIMEZONE',
];
const calendarOf = (events: readonly Generated[]): string =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//x//x//EN',
    ...houseTime,
    ...events.flatMap(spelled),
    'END:VCALENDAR',
    '',
  ].join('\r\n');

function shellOf(text: string, term: Shell['term'], previousTerm: Shell['term']): Shell {
  const read = readCalendar(text, 'events.ics', { wanted: 'Europe/Dublin', otherwise: 'UTC' }, term.end);
  if (!read.ok) throw new Error(read.trouble.message);
  const { events, frame } = read.value;
  return { ...emptyShell, timeZone: 'Europe/Dublin', term, previousTerm, events, calendar: frame };
}

/** Content lines without their dates, by this test's own reading: unfolded, and the values of date properties left out. */
function withoutDates(text: string): string[] {
  const lines = text.replace(/\r\n[ \t]/g, '').split('\r\n');
  return (
    lines
      .map((line) =>
        line
          .replace(/^((?:DTSTART|DTEND|RECURRENCE-ID|EXDATE|RDATE)(?:;(?:[^":]|"[^"]*")*)?):.*$/, '$1:')
          .replace(/(UNTIL=)[0-9TZ]+/, '$1'),
      )
      // Dates that are added or dropped by the rule for breaks and overrides are dates.
      .filter((line) => !/^(EXDATE|RDATE)/.test(line))
  );
}

function moved(shell: Shell, ask: Partial<RedateAsk>): string {
  const worked = redate(shell, { ...plainAsk, ...ask });
  if (!worked.ok) throw new Error(worked.trouble.message);
  const steps = redatingSteps(shell, worked.value, false);
  if (!steps.ok) throw new Error(steps.trouble.message);
  const run = runPlan(shell, steps.value, rules);
  expect(run.results.map(({ outcome }) => outcome)).not.toContain('blocked');
  return writeCalendar(run.after.events, run.after.calendar ?? { head: '', others: [] });
}

test('nothing but dates differs, whatever stands beside them, in every mode', () => {
  const modes = redateModes.filter((mode) => mode !== 'clear' && mode !== 'to-date');
  fc.assert(
    fc.property(
      fc.array(event, { minLength: 1, maxLength: 6 }),
      fc.constantFrom(...modes),
      (events, mode) => {
        const text = calendarOf(events);
        const after = moved(shellOf(text, spring, autumn), { mode, days: 14 });
        expect(withoutDates(after)).toEqual(withoutDates(text));
      },
    ),
    { numRuns: runs, seed: 20261201 },
  );
});

test('there and back gives the first calendar, byte for byte', () => {
  // Both terms have sixteen and seventeen teaching weeks; a shift comes back whatever they have.
  fc.assert(
    fc.property(
      fc.array(event, { minLength: 1, maxLength: 6 }),
      fc.integer({ min: -60, max: 60 }),
      (events, weeks) => {
        const text = calendarOf(events);
        const there = moved(shellOf(text, autumn, autumn), { mode: 'shift', days: weeks * 7 });
        const back = moved(shellOf(there, autumn, autumn), { mode: 'shift', days: -weeks * 7 });
        expect(back).toBe(text);
      },
    ),
    { numRuns: runs, seed: 20261201 },
  );
});
