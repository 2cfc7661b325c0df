import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { append } from '@/core/collect';
import type { Shell } from '@/core/shell/model';
import { itemRef, shellRef } from '@/core/refs/refs';
import type { LocalDate, LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import type { ShellInputs } from '@/services/do/packages/shell-inputs';

/** What faults are planted with: the package, and the lines of its side files. */
interface Desk {
  readonly c: ShellComposer;
  /** A text that no other page has. */
  text(): string;
  page(title: string, over?: object, html?: string): string;
  /** Two ordinary pages in a module. */
  fill(module: string): void;
  readonly events: string[];
  readonly categories: string[];
  readonly columns: string[];
  readonly results: string[];
}
type Fault = (desk: Desk) => void;

const at = (day: string) => `${day}T12:00:00` as LocalDateTime;
const question = (stem: string, answers = ['more', 'less']) => ({ stem, answers, right: 0, points: 2 });
const openings = [
  'Where the bed is coarse the water breaks',
  'A rod is read at the eye',
  'Leaves gather behind the third stone',
  'Silt tells of a slow week',
  'Nobody wades after rain',
  'The tape lies across the riffle',
];
const prose = (n: number) => `<p>${openings[n % 6]}, as station ${n} shows to whoever looks ${n} times.</p>`;
const event = (...lines: string[]) => ['BEGIN:VEVENT', 'DTSTAMP:20261215T080000Z', ...lines, 'END:VEVENT'];

/** One fault, or a few that need each other, for every check that proposes a remedy; any of them may be left out. */
export const faults: Readonly<Record<string, Fault>> = {
  misfiled: ({ page }) => void page('Week 5 sheet', { ref: 'misfiled', parent: 'w4' }),
  mixedNaming: ({ c, fill }) => fill(c.module('Wk 6', { ref: 'w6' })),
  questionTwice: ({ c }) =>
    void c.quiz(
      'Check',
      [
        question('How high?'),
        question('How wide?'),
        question('How high?'),
        question('How deep?', ['one', 'two']),
      ],
      { ref: 'quiz', parent: 'w1', due: at('2027-02-01') },
    ),
  links: ({ c, page, text }) => {
    page(
      'Lists',
      { ref: 'links', parent: 'w1', path: 'a/links.html' },
      '<a href="old/map.png">map</a> <img src="gone.png" alt=""> <a href="gone.html">gone</a> <a href="../t/index.html">hidden</a> <a href="../s/data.csv">data</a> <a href="https://campus.example/77/sheet.pdf?x=1">sheet</a>',
    );
    c.file('flat/map.png', 'map');
    c.file('flat/sheet.pdf', 'sheet');
    c.file('s/data.csv', 'data', { readableBy: 'staff' });
    c.file('flat/map (1).png', 'map');
    c.page('Target', text(), { ref: 'target', parent: 'w2', path: 't/index.html', shown: false });
  },
  unusedFile: ({ c }) => void c.file('lost.bin', 'nobody'),
  hiddenGraded: ({ c, text, columns }) => {
    c.assignment('Midterm', text(), 10, {
      ref: 'midterm',
      parent: 'w2',
      shown: false,
      due: at('2027-03-01'),
    });
    columns.push('c1,active,,Midterm,k1,0,10');
  },
  lockedOut: ({ page }) =>
    void page('Locked', { ref: 'locked', parent: 'w2', requires: [itemRef('nowhere')] }),
  exposedKey: ({ page }) => void page('Quiz 3 – Key', { ref: 'key', parent: 'w2' }),
  outsideTerm: ({ c, text }) =>
    void c.assignment('Late work', text(), 5, { ref: 'late', parent: 'w3', due: at('2025-09-30') }),
  neverOpen: ({ page }) => void page('Closed', { ref: 'closed', parent: 'w3', closes: at('2025-10-01') }),
  shadowed: ({ c, text }) => {
    const hidden = c.module('Later', { ref: 'later', shown: false });
    c.assignment('Shadow', text(), 5, { ref: 'shadow', parent: hidden, due: at('2027-04-01') });
  },
  deepNesting: ({ c, page }) => {
    const deep = c.module('Deep', { ref: 'deep' });
    page('Beside', { parent: deep });
    const inner = c.module('Inner', { ref: 'inner', parent: deep });
    page('Also', { parent: inner });
    const innermost = c.module('Innermost', { ref: 'innermost', parent: inner });
    for (const title of ['One leaf', 'Two leaves']) page(title, { parent: innermost });
    const single = c.module('Single', { ref: 'single', parent: deep });
    page('Alone', { parent: single });
  },
  emptyModule: ({ c }) => void c.module('Empty', { ref: 'empty' }),
  linkTwice: ({ c }) => {
    c.webLink('Gauge', 'https://gauge.example/1', { parent: 'w1' });
    c.webLink('Gauge again', 'https://gauge.example/1/', { parent: 'w1' });
  },
  versions: ({ page }) => {
    page('Guide v1', { ref: 'guide1', parent: 'w3' });
    page('Guide v2', { ref: 'guide2', parent: 'w3' });
  },
  sameContent: ({ c, text }) => {
    const same = text();
    c.page('Stage', same, { parent: 'w3' });
    c.page('Stage, too', same, { parent: 'w3' });
  },
  otherCourse: ({ page }) => {
    for (const part of ['a', 'b']) page(`GEO 130 part ${part}`, { batch: 'wrong course' });
  },
  tailBlock: ({ page }) => void page('Week 2 extra', { ref: 'tail' }),
  unplaced: ({ c, text }) => {
    c.assignment('Placed', text(), 5, { parent: 'w1', due: at('2027-02-10') });
    c.assignment('Nowhere', text(), 5, { outside: true, due: at('2027-02-11') });
  },
  unreachable: ({ c, text }) => void c.page('Unreached', text(), { outside: true, path: 'u.html' }),
  unusedBank: ({ c }) => void c.bank('unused', [question('A?'), question('B?')], 'bank.xml'),
  catchAll: ({ categories, columns }) => {
    categories.push('k3,active,,Imported,', 'k4,active,,Quizzes,');
    columns.push('c2,active,,Quiz 3,k3,0,5', 'c5,active,,Sum of all,k4,0,5');
  },
  emptyCategory: ({ categories }) => void categories.push('k5,active,,Nothing,'),
  columnTwice: ({ columns, results }) => {
    columns.push('c3,active,,Essay,k2,0,5', 'c4,active,,Essay,k2,0,5');
    results.push('r1,active,,c3,s1,4');
  },
  oldEvent: ({ events }) =>
    append(
      events,
      event('UID:old', 'SUMMARY:Old', 'DTSTART:20251001T100000Z', 'URL:https://r.example/join/1'),
    ),
  overrun: ({ events }) =>
    append(
      events,
      event('UID:lab', 'SUMMARY:Lab', 'DTSTART;TZID=Europe/Dublin:20270112T140000', 'RRULE:FREQ=WEEKLY'),
    ),
  noClassDay: ({ events }) =>
    append(events, event('UID:due', 'SUMMARY:Midterm due', 'DTSTART;VALUE=DATE:20270315')),
  eventTwice: ({ events }) => {
    append(events, event('UID:twice', 'SUMMARY:Talk', 'DTSTART:20270201T100000Z'));
    append(events, event('UID:again', 'SUMMARY:Talk', 'DTSTART:20270201T100000Z'));
  },
};

/** Checks whose remedy `clean` can take here, each with at least one finding in a shell with all of the faults. */
export const remedied = [
  'calendar.due-mismatch',
  'calendar.meeting-link',
  'calendar.no-class-day',
  'calendar.outside-term',
  'calendar.overruns-term',
  'duplicate.event',
  'duplicate.grade-category',
  'duplicate.grade-column',
  'duplicate.link',
  'duplicate.question',
  'duplicate.same-content',
  'duplicate.same-file',
  'orphan.broken-link',
  'orphan.empty-grade-category',
  'orphan.empty-module',
  'orphan.grade-column',
  'orphan.unplaced-activity',
  'orphan.unreachable-page',
  'orphan.unused-bank',
  'orphan.unused-file',
  'outdated.date-outside-term',
  'outdated.old-shell-link',
  'outdated.other-course',
  'outdated.superseded-version',
  'structure.catch-all-category',
  'structure.deep-nesting',
  'structure.misfiled',
  'structure.mixed-naming',
  'structure.number-order',
  'structure.single-item-folder',
  'structure.tail-block',
  'visibility.exposed-key',
  'visibility.hidden-graded',
  'visibility.hidden-target',
  'visibility.locked-out',
  'visibility.never-open',
  'visibility.shadowed',
  'visibility.unreadable-file',
];

/** Writes a shell with these faults, in this order, as a package with all its side files into a folder. */
export async function writeTroubled(dir: string, wanted: readonly string[]): Promise<ShellInputs> {
  mkdirSync(join(dir, 'roster'), { recursive: true });
  const desk = startDesk();
  for (const name of wanted) faults[name]?.(desk);
  const composed: Shell = desk.c.shell();
  const told: Shell = {
    ...composed,
    groups: [],
    items: composed.items.map((item) => ({ ...item, shown: item.shown ?? true })),
  };
  const write = (name: string, data: string) => {
    writeFileSync(join(dir, name), data);
    return { path: join(dir, name), name };
  };
  await desk.c.write(join(dir, 'troubled.imscc'));
  write('roster/categories.csv', table('sourcedId,status,dateLastModified,title,weight', desk.categories));
  write(
    'roster/lineItems.csv',
    table(
      'sourcedId,status,dateLastModified,title,categorySourcedId,resultValueMin,resultValueMax',
      desk.columns,
    ),
  );
  write(
    'roster/results.csv',
    table('sourcedId,status,dateLastModified,lineItemSourcedId,studentSourcedId,score', desk.results),
  );
  const calendar = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//x//x//EN',
    ...desk.events,
    'END:VCALENDAR',
    '',
  ];
  return {
    package: { path: join(dir, 'troubled.imscc'), name: 'troubled.imscc' },
    status: write('status.csv', writeStatusSheet(told)),
    events: write('events.ics', calendar.join('\r\n')),
    roster: { path: join(dir, 'roster'), name: 'roster' },
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

const table = (head: string, rows: readonly string[]) => `${[head, ...rows].join('\n')}\n`;

/** A term of five weeks out of order, with two pages each. */
function startDesk(): Desk {
  const c = new ShellComposer({ ref: shellRef('troubled') });
  let n = 0;
  const text = () => prose((n += 1));
  const page: Desk['page'] = (title, over = {}, html = '') => c.page(title, text() + html, over);
  const fill = (module: string) => {
    for (const part of ['first', 'second']) page(`About ${module}, ${part} part`, { parent: module });
  };
  for (const week of [1, 3, 2, 4, 5]) fill(c.module(`Week ${week}`, { ref: `w${week}` }));
  const categories = ['k1,active,,Labs,60', 'k2,active,,Labs,40'];
  return { c, text, page, fill, events: [], categories, columns: [], results: [] };
}

/** The files that a cleaning left in a folder, as inputs of the next one. */
export const cleanedInputs = (inputs: ShellInputs, dir: string): ShellInputs => ({
  ...inputs,
  package: { path: join(dir, 'shell.imscc'), name: 'shell.imscc' },
  events: { path: join(dir, 'events.ics'), name: 'events.ics' },
  status: { path: join(dir, 'status.csv'), name: 'status.csv' },
  roster: { path: join(dir, 'grades'), name: 'grades' },
});
