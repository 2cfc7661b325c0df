import { rrulestr } from 'rrule';
import { makeSteps } from '@/core/plan/make-steps';
import { runPlan } from '@/core/plan/run-plan';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { emptyShell } from '@/core/shell/empty-shell';
import type { CourseEvent, Shell } from '@/core/shell/model';
import { addDays, type LocalDate } from '@/core/dates/local-date';
import { readCalendar } from '@/formats/icalendar/read-calendar';
import { writeCalendar } from '@/formats/icalendar/write-calendar';
import { plainAsk, type RedateAsk } from './ask';
import { redate, type Redating } from './redate';

const timeZone = 'Europe/Dublin';
const end = '2027-05-07' as LocalDate;
const range = (from: string, to: string): LocalDate[] => {
  const days: LocalDate[] = [];
  for (let at = from as LocalDate; at <= to; at = addDays(at, 1)) days.push(at);
  return days;
};
const oldBreak = range('2025-11-24', '2025-11-28');

/** A shell for Spring 2027, copied from Autumn 2025, with these components for events. */
function shellWith(...events: (readonly string[])[]): Shell {
  const lines = events.flatMap((more) => [
    'BEGIN:VEVENT',
    'DTSTAMP:20250801T080000Z',
    'SUMMARY:Lab',
    ...more,
    'END:VEVENT',
  ]);
  const text = ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//x//EN', ...lines, 'END:VCALENDAR', ''];
  const read = readBack(text.join('\r\n'));
  return {
    ...emptyShell,
    timeZone,
    term: { title: '', start: '2027-01-11' as LocalDate, end },
    previousTerm: { title: '', start: '2025-08-25' as LocalDate, end: '2025-12-12' as LocalDate },
    noClassDays: [...range('2027-03-15', '2027-03-19'), '2027-04-02' as LocalDate],
    ...read,
  };
}
function readBack(text: string): Pick<Shell, 'events' | 'calendar'> {
  const result = readCalendar(text, 'x.ics', { wanted: timeZone, otherwise: 'UTC' }, end);
  if (!result.ok) throw new Error(result.trouble.message);
  return { events: result.value.events, calendar: result.value.frame };
}
const series = (...more: string[]) => ['UID:s', ...more];

/** Works a re-dating out and carries it out; what is written is what is read again. */
function redated(shell: Shell, ask: Partial<RedateAsk> = {}): { redating: Redating; after: Shell } {
  const redating = redate(shell, { ...plainAsk, ...ask }, oldBreak);
  if (!redating.ok) throw new Error(redating.trouble.message);
  const steps = makeSteps(shell, redating.value.steps);
  if (!steps.ok) throw new Error(steps.trouble.message);
  const run = runPlan(shell, steps.value, defaultHouseRules(allChecks));
  expect(run.results.every((result) => result.outcome === 'done')).toBe(true);
  const { after } = run;
  if (after.calendar)
    expect(readBack(writeCalendar(after.events, after.calendar)).events.map(apartFromRef)).toEqual(
      after.events.map(apartFromRef),
    );
  return { redating: redating.value, after };
}
/** A file names an override by the date that it stands for; the ref that it is known by here stays. */
const apartFromRef = (event: CourseEvent) => ({
  ...event,
  ref: event.recurrenceId === null ? event.ref : '',
});
const daysOf = (shell: Shell, ref = 's') =>
  shell.events.find((event) => event.ref === ref)!.occurrences.map((when) => when.slice(5, 10));
const sourceOf = (shell: Shell, ref = 's') => shell.events.find((event) => event.ref === ref)!.source;

test('a weekly series goes week by week, and the new break is taken out of it', () => {
  const shell = shellWith(
    series('DTSTART;TZID=Europe/Dublin:20250826T140000', 'RRULE:FREQ=WEEKLY;UNTIL=20251212T235959Z'),
  );
  const { redating, after } = redated(shell);
  expect(daysOf(after)[0]).toBe('01-12');
  expect(daysOf(after)).not.toContain('03-16');
  expect(daysOf(after).at(-1)).toBe('04-27');
  expect(redating.changes.map((c) => [c.field, c.old, c.new, c.week])).toEqual([
    ['start', '2025-08-26T14:00:00', '2027-01-12T14:00:00', 1],
    ['until', '2025-12-12T23:59:59', '2027-04-30T23:59:59', 15],
    ['exdate', null, '2027-03-16T14:00:00', null],
  ]);
  // The wall time stays through the change of clocks on 28 March 2027.
  expect(after.events[0]!.occurrences.every((when) => when.endsWith('T14:00:00'))).toBe(true);
});

test('the dates of the new rule are those that the library rrule counts', () => {
  const shell = shellWith(
    series(
      'DTSTART:20250825T090000',
      'RRULE:FREQ=WEEKLY;BYDAY=MO,WE;COUNT=30',
      'EXDATE:20251124T090000,20251126T090000',
    ),
  );
  const { after } = redated(shell, {
    map: new Map([
      [1, 2],
      [3, 4],
    ]),
  });
  const rule = /RRULE:(.*)/.exec(sourceOf(after))![1]!.trim();
  expect(rule).toContain('BYDAY=TU,TH');
  expect(rule).toContain('COUNT=30');
  const counted = rrulestr(`DTSTART:20270112T090000Z\nRRULE:${rule}`)
    .all()
    .map((when) => when.toISOString().slice(5, 10))
    .filter((d) => d !== '03-16' && d !== '03-18');
  expect(daysOf(after)).toEqual(counted);
});

test('excluded dates of the old break are dropped, others go along', () => {
  const shell = shellWith(
    series(
      'DTSTART;TZID=Europe/Dublin:20250826T140000',
      'RRULE:FREQ=WEEKLY;COUNT=15',
      'EXDATE;TZID=Europe/Dublin:20250909T140000',
      'EXDATE;TZID=Europe/Dublin:20251125T140000',
    ),
  );
  const { redating, after } = redated(shell);
  expect(redating.changes.filter((c) => c.field === 'exdate').map((c) => [c.old, c.new])).toEqual([
    ['2025-09-09T14:00:00', '2027-01-26T14:00:00'],
    ['2025-11-25T14:00:00', null],
    [null, '2027-03-16T14:00:00'],
  ]);
  expect(daysOf(after)).toHaveLength(13);
});

test('an override goes along; one that its rule no longer has becomes an added date', () => {
  const shell = shellWith(
    series('DTSTART;TZID=Europe/Dublin:20250826T140000', 'RRULE:FREQ=WEEKLY;UNTIL=20251212T235959Z'),
    [
      'UID:s',
      'RECURRENCE-ID;TZID=Europe/Dublin:20250909T140000',
      'DTSTART;TZID=Europe/Dublin:20250910T160000',
    ],
    [
      'UID:s',
      'RECURRENCE-ID;TZID=Europe/Dublin:20251209T140000',
      'DTSTART;TZID=Europe/Dublin:20251215T140000',
    ],
  );
  const { redating, after } = redated(shell);
  const overrides = redating.changes.filter((c) => c.field === 'override');
  expect(overrides.map((c) => [c.ref, c.old, c.new])).toEqual([
    ['s#20250909T140000', '2025-09-10T16:00:00', '2027-01-27T16:00:00'],
    ['s#20251209T140000', '2025-12-15T14:00:00', '2027-05-10T14:00:00'],
  ]);
  expect(sourceOf(after, 's#20250909T140000')).toContain('20270126T140000');
  expect(daysOf(after)).not.toContain('01-26');
  expect(redating.counts).toMatchObject({ things: 1, dated: 1, changed: 1 });
});

test('an override that replaces no date of the new rule becomes an added date', () => {
  const shell = shellWith(
    series('DTSTART;TZID=Europe/Dublin:20250826T140000', 'RRULE:FREQ=WEEKLY;UNTIL=20260131T235959Z'),
    [
      'UID:s',
      'RECURRENCE-ID;TZID=Europe/Dublin:20260127T140000',
      'DTSTART;TZID=Europe/Dublin:20260127T160000',
    ],
  );
  const earlierEnd = { ...shell, previousTerm: { ...shell.previousTerm!, end: '2025-12-11' as LocalDate } };
  const { after } = redated(earlierEnd);
  // 47 days behind the last day is a Wednesday now, and the series is on Tuesdays.
  expect(sourceOf(after)).toContain('RDATE;TZID=Europe/Dublin:20270623T160000');
  expect(sourceOf(after, 's#20260127T140000')).toContain('RECURRENCE-ID;TZID=Europe/Dublin:20270623T160000');
  expect(daysOf(after, 's#20260127T140000')).toEqual(['06-23']);
});

test('a shift by part of a week moves the weekdays of the rule', () => {
  const shell = shellWith(
    series('DTSTART;TZID=Europe/Dublin:20270112T140000', 'RRULE:FREQ=WEEKLY;BYDAY=TU,TH;COUNT=6'),
  );
  const { after } = redated(shell, { mode: 'shift', days: 1 });
  expect(sourceOf(after)).toContain('BYDAY=WE,FR');
  expect(daysOf(after)).toEqual(['01-13', '01-15', '01-20', '01-22', '01-27', '01-29']);
});

test('avoiding takes a no-class day out of a series; without it the start is warned of', () => {
  const friday = series('DTSTART;TZID=Europe/Dublin:20250829T140000', 'RRULE:FREQ=WEEKLY;COUNT=14');
  const avoiding = redated(shellWith(friday), { avoidNoClass: 'next' });
  expect(daysOf(avoiding.after)).not.toContain('04-02');
  expect(avoiding.redating.changes[0]!.warnings).toEqual([]);
  const plain = redated(shellWith(friday));
  expect(daysOf(plain.after)).toContain('04-02');
  expect(plain.redating.changes[0]!.warnings).toEqual(['no-class']);
});

test('a start that is off its rule goes to the next day of it', () => {
  const shell = shellWith(
    series('DTSTART;TZID=Europe/Dublin:20250820T140000', 'RRULE:FREQ=WEEKLY;BYDAY=WE;UNTIL=20251210T235959Z'),
  );
  // Five days before the term: 6 January 2027 is a Wednesday itself; four days would be a Thursday.
  expect(daysOf(redated(shell).after)[0]).toBe('01-06');
  const thursday = { ...shell, previousTerm: { ...shell.previousTerm!, start: '2025-08-24' as LocalDate } };
  expect(daysOf(redated(thursday).after)[0]).toBe('01-13');
});

test('an event on another clock keeps that clock, an all-day event its days', () => {
  const shell = shellWith(
    ['UID:far', 'DTSTART;TZID=America/Toronto:20250826T090000', 'DTEND;TZID=America/Toronto:20250826T100000'],
    ['UID:utc', 'DTSTART:20250826T130000Z'],
    ['UID:day', 'DTSTART;VALUE=DATE:20250826', 'DTEND;VALUE=DATE:20250828'],
  );
  const { redating, after } = redated(shell);
  expect(sourceOf(after, 'far')).toContain('DTSTART;TZID=America/Toronto:20270112T090000');
  expect(sourceOf(after, 'far')).toContain('DTEND;TZID=America/Toronto:20270112T100000');
  // 13:00 UTC is 14:00 in Dublin in August, and 14:00 UTC in January.
  expect(sourceOf(after, 'utc')).toContain('DTSTART:20270112T140000Z');
  expect(sourceOf(after, 'day')).toContain('DTEND;VALUE=DATE:20270114');
  expect(redating.changes.map((c) => [c.ref, c.new])).toEqual([
    ['far', '2027-01-12T14:00:00'],
    ['utc', '2027-01-12T14:00:00'],
    ['day', '2027-01-12'],
  ]);
});

test('a series that begins far outside stays whole', () => {
  const shell = shellWith(
    series('DTSTART;TZID=Europe/Dublin:20250701T140000', 'RRULE:FREQ=WEEKLY;UNTIL=20251212T235959Z'),
  );
  expect(redated(shell).redating.counts).toEqual({ things: 1, dated: 1, changed: 0, same: 0, outside: 1 });
});

test.each([
  [{ mode: 'clear' as const }, /can’t be cleared/],
  [{ mode: 'to-date' as const, date: '2027-02-01' as LocalDate }, /repeats/],
  [{ only: new Set(['nobody']) }, /no item and no event “nobody”/],
])('what can’t be done is refused with the reason', (ask, reason) => {
  const shell = shellWith(series('DTSTART:20250826T140000', 'RRULE:FREQ=WEEKLY;COUNT=4'));
  const result = redate(shell, { ...plainAsk, ...ask });
  expect(result.ok ? '' : result.trouble.message).toMatch(reason);
});

test('daylight saving in the south: the wall time stays through April', () => {
  const zone = 'Pacific/Auckland';
  const shell = {
    ...shellWith(series(`DTSTART;TZID=${zone}:20250826T090000`, 'RRULE:FREQ=WEEKLY;COUNT=14')),
    timeZone: zone,
  };
  const text = writeCalendar(shell.events, shell.calendar!);
  const read = readCalendar(text, 'x.ics', { wanted: zone, otherwise: 'UTC' }, end);
  const south = { ...shell, events: read.ok ? read.value.events : [] };
  const redating = redate(south, plainAsk, oldBreak);
  const steps = redating.ok ? makeSteps(south, redating.value.steps) : redating;
  const after = runPlan(south, steps.ok ? steps.value : [], defaultHouseRules(allChecks)).after;
  expect(after.events[0]!.occurrences.every((when) => when.endsWith('T09:00:00'))).toBe(true);
  expect(after.events[0]!.occurrences[0]).toBe('2027-01-12T09:00:00');
});
