import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defaultHouseRules } from '@/core/checks/house-rules';
import { allChecks } from '@/core/checks/registry';
import type { Shell } from '@/core/shell/model';
import { itemRef, shellRef } from '@/core/shell/refs';
import type { LocalDate, LocalDateTime } from '@/core/time/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import { cleanPackage } from '../clean/clean-package';
import type { ShellInputs } from '../bring-in/shell-inputs';

jest.setTimeout(120_000);
const folder = mkdtempSync(join(tmpdir(), 'currycomb-remedies-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const at = (day: string) => `${day}T12:00:00` as LocalDateTime;
const rules = { ...defaultHouseRules(allChecks), campusHosts: ['campus.example'] };
const question = (stem: string, answers = ['more', 'less']) => ({ stem, answers, right: 0, points: 2 });
const prose = (n: number) =>
  `<p>${['Where the bed is coarse the water breaks', 'A rod is read at the eye', 'Leaves gather behind the third stone', 'Silt tells of a slow week', 'Nobody wades after rain', 'The tape lies across the riffle'][n % 6]}, as station ${n} shows to whoever looks ${n} times.</p>`;

/** A shell that holds a fault for every check that proposes a remedy, written as a package with all its side files. */
async function troubled(): Promise<ShellInputs> {
  const c = new ShellComposer({ ref: shellRef('troubled') });
  let n = 0;
  const text = () => prose((n += 1));
  const page = (title: string, over: object = {}, html = '') => c.page(title, text() + html, over);
  const two = (module: string) =>
    [1, 2].forEach(
      (k) => void page(`About ${module}, ${['first', 'second'][k - 1]} part`, { parent: module }),
    );
  for (const k of [1, 3, 2]) two(c.module(`Week ${k}`, { ref: `w${k}` }));
  for (const k of [4, 5]) two(c.module(`Week ${k}`, { ref: `w${k}` }));
  two(c.module('Wk 6', { ref: 'w6' }));
  page('Week 5 sheet', { ref: 'misfiled', parent: 'w4' });
  c.quiz(
    'Check',
    [
      question('How high?'),
      question('How wide?'),
      question('How high?'),
      question('How deep?', ['one', 'two']),
    ],
    { ref: 'quiz', parent: 'w1', due: at('2027-02-01') },
  );
  page(
    'Lists',
    { ref: 'links', parent: 'w1', path: 'a/links.html' },
    '<a href="old/map.png">map</a> <img src="gone.png" alt=""> <a href="gone.html">gone</a> <a href="../t/index.html">hidden</a> <a href="../s/data.csv">data</a> <a href="https://campus.example/77/sheet.pdf?x=1">sheet</a>',
  );
  c.file('flat/map.png', 'map');
  c.file('flat/sheet.pdf', 'sheet');
  c.file('s/data.csv', 'data', { readableBy: 'staff' });
  c.file('flat/map (1).png', 'map');
  c.file('lost.bin', 'nobody');
  c.page('Target', text(), { ref: 'target', parent: 'w2', path: 't/index.html', shown: false });
  c.assignment('Midterm', text(), 10, { ref: 'midterm', parent: 'w2', shown: false, due: at('2027-03-01') });
  page('Locked', { ref: 'locked', parent: 'w2', requires: [itemRef('nowhere')] });
  page('Quiz 3 – Key', { ref: 'key', parent: 'w2' });
  c.assignment('Late work', text(), 5, { ref: 'late', parent: 'w3', due: at('2025-09-30') });
  page('Closed', { ref: 'closed', parent: 'w3', closes: at('2025-10-01') });
  const hidden = c.module('Later', { ref: 'later', shown: false });
  c.assignment('Shadow', text(), 5, { ref: 'shadow', parent: hidden, due: at('2027-04-01') });
  const deep = c.module('Deep', { ref: 'deep' });
  page('Beside', { parent: deep });
  const inner = c.module('Inner', { ref: 'inner', parent: deep });
  page('Also', { parent: inner });
  const innermost = c.module('Innermost', { ref: 'innermost', parent: inner });
  ['One leaf', 'Two leaves'].forEach((title) => void page(title, { parent: innermost }));
  const single = c.module('Single', { ref: 'single', parent: deep });
  page('Alone', { parent: single });
  c.module('Empty', { ref: 'empty' });
  c.webLink('Gauge', 'https://gauge.example/1', { parent: 'w1' });
  c.webLink('Gauge again', 'https://gauge.example/1/', { parent: 'w1' });
  page('Guide v1', { ref: 'guide1', parent: 'w3' });
  page('Guide v2', { ref: 'guide2', parent: 'w3' });
  const same = text();
  c.page('Stage', same, { parent: 'w3' });
  c.page('Stage, too', same, { parent: 'w3' });
  for (const k of [1, 2]) page(`GEO 130 part ${['a', 'b'][k - 1]}`, { batch: 'wrong course' });
  page('Week 2 extra', { ref: 'tail' });
  c.assignment('Placed', text(), 5, { parent: 'w1', due: at('2027-02-10') });
  c.assignment('Nowhere', text(), 5, { outside: true, due: at('2027-02-11') });
  c.page('Unreached', text(), { outside: true, path: 'u.html' });
  c.bank('unused', [question('A?'), question('B?')], 'bank.xml');
  const made: Shell = c.shell();
  const told: Shell = {
    ...made,
    groups: [],
    items: made.items.map((i) => ({ ...i, shown: i.shown ?? true })),
  };
  const file = (name: string, data: string) => {
    writeFileSync(join(folder, name), data);
    return { path: join(folder, name), name };
  };
  await c.write(join(folder, 'troubled.imscc'));
  const roster = join(folder, 'roster');
  mkdirSync(roster);
  writeFileSync(
    join(roster, 'categories.csv'),
    'sourcedId,status,dateLastModified,title,weight\nk1,active,,Labs,60\nk2,active,,Labs,40\nk3,active,,Imported,\nk4,active,,Quizzes,\nk5,active,,Nothing,\n',
  );
  writeFileSync(
    join(roster, 'lineItems.csv'),
    'sourcedId,status,dateLastModified,title,categorySourcedId,resultValueMin,resultValueMax\nc1,active,,Midterm,k1,0,10\nc2,active,,Quiz 3,k3,0,5\nc3,active,,Essay,k2,0,5\nc4,active,,Essay,k2,0,5\nc5,active,,Sum of all,k4,0,5\n',
  );
  writeFileSync(
    join(roster, 'results.csv'),
    'sourcedId,status,dateLastModified,lineItemSourcedId,studentSourcedId,score\nr1,active,,c3,s1,4\n',
  );
  const event = (...lines: string[]) => ['BEGIN:VEVENT', 'DTSTAMP:20261215T080000Z', ...lines, 'END:VEVENT'];
  const events = [
    'BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//x//EN',
    ...event('UID:old', 'SUMMARY:Old', 'DTSTART:20251001T100000Z', 'URL:https://r.example/join/1'),
    ...event('UID:lab', 'SUMMARY:Lab', 'DTSTART;TZID=Europe/Dublin:20270112T140000', 'RRULE:FREQ=WEEKLY'),
    ...event('UID:due', 'SUMMARY:Midterm due', 'DTSTART;VALUE=DATE:20270315'),
    ...event('UID:twice', 'SUMMARY:Talk', 'DTSTART:20270201T100000Z'),
    ...event('UID:again', 'SUMMARY:Talk', 'DTSTART:20270201T100000Z'),
    'END:VCALENDAR', '',
  ]; // prettier-ignore
  return {
    package: { path: join(folder, 'troubled.imscc'), name: 'troubled.imscc' },
    status: file('status.csv', writeStatusSheet(told)),
    events: file('events.ics', events.join('\r\n')),
    roster: { path: roster, name: 'roster' },
    code: 'HYD 214',
    timeZone: 'Europe/Dublin',
    termStart: '2027-01-11' as LocalDate,
    termEnd: '2027-05-07' as LocalDate,
    previousTermStart: '2025-08-25' as LocalDate,
    previousTermEnd: '2025-12-12' as LocalDate,
    noClass: ['2027-03-15', '2027-03-16'] as LocalDate[],
    asOf: '2027-01-04' as LocalDate,
    today: '2027-01-04' as LocalDate,
  };
}

/** Checks whose remedy `clean` can take here, each with at least one finding in the shell above. */
const remedied = [
  'calendar.due-mismatch', 'calendar.meeting-link', 'calendar.no-class-day', 'calendar.outside-term', 'calendar.overruns-term',
  'duplicate.event', 'duplicate.grade-category', 'duplicate.grade-column', 'duplicate.link', 'duplicate.question', 'duplicate.same-content', 'duplicate.same-file',
  'orphan.broken-link', 'orphan.empty-grade-category', 'orphan.empty-module', 'orphan.grade-column', 'orphan.unplaced-activity', 'orphan.unreachable-page', 'orphan.unused-bank', 'orphan.unused-file',
  'outdated.date-outside-term', 'outdated.old-shell-link', 'outdated.other-course', 'outdated.superseded-version',
  'structure.catch-all-category', 'structure.deep-nesting', 'structure.misfiled', 'structure.mixed-naming', 'structure.number-order', 'structure.single-item-folder', 'structure.tail-block',
  'visibility.exposed-key', 'visibility.hidden-graded', 'visibility.hidden-target', 'visibility.locked-out', 'visibility.never-open', 'visibility.shadowed', 'visibility.unreadable-file',
]; // prettier-ignore

test('every remedy is taken, written, read back, and leaves nothing for a second cleaning', async () => {
  const inputs = await troubled();
  const out = join(folder, 'out');
  const first = await cleanPackage(inputs, {
    accept: { checks: remedied },
    outDir: out,
    leaveBlocked: true,
    dryRun: false,
    rules,
  });
  if (!first.ok) throw new Error(first.trouble.message);
  if (first.value.kind !== 'cleaned') throw new Error('blocked');
  const { summary } = first.value;
  expect(remedied.filter((id) => !(summary.before[id]! > 0))).toEqual([]);
  const left = remedied.filter((id) => summary.after[id]! > 0);
  expect(left).toEqual([]);
  // What one remedy left behind another one takes; nothing else was made worse.
  expect(summary.caused.map((f) => f.check).filter((check) => remedied.includes(check))).toEqual([]);
  const again = await cleanPackage(
    {
      ...inputs,
      package: { path: join(out, 'shell.imscc'), name: 'shell.imscc' },
      events: { path: join(out, 'events.ics'), name: 'events.ics' },
      status: { path: join(out, 'status.csv'), name: 'status.csv' },
      roster: { path: join(out, 'grades'), name: 'grades' },
    },
    { accept: { checks: remedied }, outDir: join(folder, 'again'), leaveBlocked: true, dryRun: false, rules },
  );
  if (!again.ok || again.value.kind !== 'cleaned') throw new Error('second cleaning');
  expect(again.value.summary).toMatchObject({ accepted: [], steps: [] });
  expect(readFileSync(join(folder, 'again/shell.imscc')).equals(readFileSync(join(out, 'shell.imscc')))).toBe(
    true,
  );
});
