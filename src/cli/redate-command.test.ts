import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { redateSchema } from '@/formats/report/redate-report';
import { item, makeZip, manifest } from '@/services/__tests__/make-package';
import { runHere } from './__tests__/run-here';
import { weekdayMap } from './redate-command';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-redate-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const run = runHere;

const course = () =>
  makeZip(join(folder, 'course.imscc'), {
    'imsmanifest.xml': manifest(
      item('a', 'Weir', 'r-a') + item('b', 'Gauge', 'r-b'),
      ['a', 'b']
        .map(
          (id) =>
            `<resource identifier="r-${id}" type="webcontent" href="${id}.html"><file href="${id}.html"/></resource>`,
        )
        .join(''),
    ),
    'a.html': '<p>Read the weir by Friday, 10 October 2025, at noon.</p>',
    'b.html': '<p>How the gauge is read.</p>',
  });
const status = () => {
  const path = join(folder, 'status.csv');
  writeFileSync(path, 'ref,due,opens\na,2025-10-10T23:59:59,2025-10-06T08:00:00\nb,,\n');
  return path;
};
const events = () => {
  const path = join(folder, 'events.ics');
  const lines = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//x//x//EN',
    'BEGIN:VEVENT',
    'UID:lecture',
    'DTSTAMP:20250801T080000Z',
    'SUMMARY:Lecture',
    'DTSTART:20250826T140000',
    'DTEND:20250826T150000',
    'RRULE:FREQ=WEEKLY;COUNT=15',
    'END:VEVENT',
    'END:VCALENDAR',
    '',
  ];
  writeFileSync(path, lines.join('\r\n'));
  return path;
};
const terms = [
  '--term-start',
  '2027-01-11',
  '--term-end',
  '2027-05-07',
  '--no-class',
  '2027-03-15..2027-03-19',
];
const oldTerm = ['--previous-term-start', '2025-08-25', '--previous-term-end', '2025-12-12'];
const asOf = ['--as-of', '2027-01-04', '--code', 'X 1'];
const inputs = async () => [
  await course(),
  '--status',
  status(),
  '--events',
  events(),
  ...terms,
  ...oldTerm,
  ...asOf,
];

test('it says what would change, by its published schema, and writes nothing', async () => {
  const { code, out } = await run('redate', ...(await inputs()), '--format', 'json');
  expect(code).toBe(0);
  const json = redateSchema.parse(JSON.parse(out));
  expect(json.counts).toEqual({ things: 3, dated: 2, changed: 2, same: 0, outside: 0 });
  expect(json.from).toEqual({ start: '2025-08-25', end: '2025-12-12', inferred: false });
  expect(json.changes.find((c) => c.field === 'due')).toEqual({
    type: 'item',
    ref: 'a',
    title: 'Weir',
    field: 'due',
    old: '2025-10-10T23:59:59',
    new: '2027-02-26T23:59:59',
    week: 7,
    weekday: 'fri',
    warnings: [],
  });
  expect(json.typed).toEqual([
    expect.objectContaining({ old: 'Friday, 10 October 2025', new: 'Friday, 26 February 2027' }),
  ]);
  const text = await run('redate', ...(await inputs()));
  expect(text.out).toContain('2 of 3 things have dates; 1 have none');
  expect(text.out).toContain('Nothing was written.');
});

test('the result is written whole, and a second re-dating of it has nothing left to do', async () => {
  const out = join(folder, 'out');
  const { code } = await run('redate', ...(await inputs()), '--typed', '--out-dir', out);
  expect(code).toBe(0);
  const summary = redateSchema.parse(JSON.parse(readFileSync(join(out, 'summary.json'), 'utf8')));
  expect(summary.counts.changed).toBe(2);
  expect(readFileSync(join(out, 'events.ics'), 'utf8')).toContain('DTSTART:20270112T140000');
  const result = [
    join(out, 'shell.imscc'),
    '--status',
    join(out, 'status.csv'),
    '--events',
    join(out, 'events.ics'),
  ];
  const again = await run('redate', ...result, ...terms, ...oldTerm, '--format', 'json');
  const json = redateSchema.parse(JSON.parse(again.out));
  expect(json.counts).toMatchObject({ dated: 2, changed: 0, outside: 2 });
  expect(json.typed).toEqual([]);
  expect(readFileSync(join(out, 'plan.json'), 'utf8')).toContain('"re-date"');
  // What it did is a plan that clean can carry out, with the same package for it.
  const other = join(folder, 'by-plan');
  expect(
    (await run('clean', ...(await inputs()), '--plan', join(out, 'plan.json'), '--out-dir', other)).code,
  ).toBe(0);
  for (const name of ['shell.imscc', 'events.ics', 'status.csv'])
    expect(readFileSync(join(other, name)).equals(readFileSync(join(out, name)))).toBe(true);
});

test.each([
  [['--mode', 'sideways'], /one of week-and-weekday, spread/],
  [['--mode', 'shift'], /give --days/],
  [['--days', '3'], /goes with --mode shift/],
  [['--mode', 'to-date'], /give --date/],
  [['--mode', 'to-date', '--date', '2027-02-01'], /“Lecture” repeats/],
  [['--mode', 'clear'], /can’t be cleared/],
  [['--only', 'nobody'], /no item and no event “nobody”/],
  [['--map', 'mon=moon'], /no pair of weekdays/],
  [['--map', 'mon=tue,mon=wed'], /stands twice/],
  [['--mode', 'shift', '--days', 'many'], /no number of days/],
])('redate %j is refused with one sentence and writes nothing', async (flags, sentence) => {
  const out = join(folder, 'never');
  const { code, err } = await run('redate', ...(await inputs()), ...flags, '--out-dir', out);
  expect(code).toBe(2);
  expect(err).toMatch(sentence);
  expect(existsSync(out)).toBe(false);
});

test('a map of weekdays', () => {
  expect(weekdayMap('mon=tue, Wed=THU')).toEqual(
    new Map([
      [1, 2],
      [3, 4],
    ]),
  );
});
