// npm run bench:limits: what each reader and each check costs from 1,000 to 100,000 things, and how it grows.
import { readFileSync, writeFileSync } from 'node:fs';
import { allChecks } from '@/core/checks/run/registry';
import { runChecks, type CheckTiming } from '@/core/checks/run/run-checks';
import type { Shell } from '@/core/shell/model';
import { itemRef, shellRef } from '@/core/refs/refs';
import type { LocalDate } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { readManifest } from '@/formats/cartridge/read-manifest';
import { readCalendar } from '@/formats/icalendar/read-calendar';
import { applyStatusSheet } from '@/formats/status-sheet/apply-status-sheet';
import { readStatusSheet } from '@/formats/status-sheet/read-status-sheet';
import { oddityTable } from '@/services/__tests__/oddities';

const sizes = [1_000, 10_000, 100_000] as const;

/** Something of an input that may be large, with what reads it. */
interface Reader {
  readonly name: string;
  readonly input: (size: number) => string;
  readonly read: (text: string) => unknown;
}

const numbers = (size: number) => Array.from({ length: size }, (_, n) => n);
const calendarOf = (events: readonly string[], zone = '') =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Currycomb//bench//EN', zone, ...events, 'END:VCALENDAR']
    .filter((line) => line !== '')
    .join('\r\n');
const eventOf = (n: number, start = `20270${(n % 4) + 1}12T090000Z`) =>
  `BEGIN:VEVENT\r\nUID:event-${n}\r\nDTSTAMP:20270101T000000Z\r\nDTSTART:${start}\r\nSUMMARY:Meeting ${n}\r\nEND:VEVENT`;
const everySecond =
  'BEGIN:VTIMEZONE\r\nTZID:Odd\r\nBEGIN:STANDARD\r\nDTSTART:19700101T000000\r\nRRULE:FREQ=SECONDLY\r\nTZOFFSETFROM:+0000\r\nTZOFFSETTO:+0100\r\nEND:STANDARD\r\nEND:VTIMEZONE';
const manifestOf = (items: string, resources: string) =>
  `<manifest identifier="m" xmlns="http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1"><metadata><schema>IMS Common Cartridge</schema><schemaversion>1.3.0</schemaversion></metadata><organizations><organization identifier="o" structure="rooted-hierarchy"><item identifier="root">${items}</item></organization></organizations><resources>${resources}</resources></manifest>`;
const resourceOf = (id: string) =>
  `<resource identifier="${id}" type="webcontent" href="${id}.html"><file href="${id}.html"/></resource>`;

const calendar = (text: string) =>
  readCalendar(text, 'bench.ics', { wanted: null, otherwise: 'Europe/Dublin' }, null);
const readers: readonly Reader[] = [
  {
    name: 'manifest, an item and a resource each',
    input: (size) =>
      manifestOf(
        numbers(size)
          .map((n) => `<item identifier="i${n}" identifierref="r${n}"><title>Page ${n}</title></item>`)
          .join(''),
        numbers(size)
          .map((n) => resourceOf(`r${n}`))
          .join(''),
      ),
    read: readManifest,
  },
  {
    name: 'manifest, all items on one resource',
    input: (size) =>
      manifestOf(
        numbers(size)
          .map((n) => `<item identifier="i${n}" identifierref="r"><title>Page ${n}</title></item>`)
          .join(''),
        resourceOf('r'),
      ),
    read: readManifest,
  },
  {
    name: 'calendar, single events',
    input: (size) => calendarOf(numbers(size).map((n) => eventOf(n))),
    read: calendar,
  },
  {
    name: 'calendar, a zone that changes every second',
    input: (size) =>
      calendarOf(
        numbers(size).map((n) =>
          eventOf(n).replace('DTSTART:', 'DTSTART;TZID=Odd:').replace('Z\r\nSUMMARY', '\r\nSUMMARY'),
        ),
        everySecond,
      ),
    read: calendar,
  },
  {
    name: 'calendar, overrides of one series',
    input: (size) =>
      calendarOf([
        eventOf(0, '20270112T090000Z').replace('SUMMARY', 'RRULE:FREQ=DAILY;COUNT=200\r\nSUMMARY'),
        ...numbers(size).map((n) =>
          eventOf(0, '20270112T090000Z').replace(
            'SUMMARY',
            `RECURRENCE-ID:20270${(n % 4) + 1}12T090000Z\r\nSUMMARY`,
          ),
        ),
      ]),
    read: calendar,
  },
  {
    name: 'status sheet, read',
    input: (size) =>
      `ref,hidden,due\n${numbers(size)
        .map((n) => `i${n},yes,2027-02-01`)
        .join('\n')}\n`,
    read: (text) => readStatusSheet(text, 'bench.csv'),
  },
  {
    name: 'status sheet, applied to 1,000 items',
    input: (size) =>
      `ref,hidden,due\n${numbers(size)
        .map((n) => `i${n},yes,2027-02-01`)
        .join('\n')}\n`,
    read: (text) => {
      const sheet = readStatusSheet(text, 'bench.csv');
      return sheet.ok ? applyStatusSheet(plainShell(1_000), sheet.value, 'bench.csv') : null;
    },
  },
];

const term = { title: 'Spring 2027', start: '2027-01-11' as LocalDate, end: '2027-05-07' as LocalDate };

/** A shell in modules of twenty pages, with files and a link to the neighbour. */
function plainShell(size: number): Shell {
  const composer = new ShellComposer({ ref: shellRef('bench'), code: 'GEN 100', term, asOf: term.start });
  let parent: string | null = null;
  for (let n = 0; n < size; n += 1) {
    if (n % 20 === 0) parent = composer.module(`Week ${n / 20 + 1}`, { ref: `m${n}` });
    composer.page(
      `Lesson ${n}`,
      `<p>Lesson ${n} is about reach ${n % 97}. <a href="p${n - 1}.html">before</a></p>`,
      {
        ref: `i${n}`,
        parent,
        path: `p${n}.html`,
      },
    );
    if (n % 10 === 0) composer.file(`files/f${n}.pdf`, `file ${n}`);
  }
  return composer.shell();
}

/** Everything on one resource, one title, one module: what makes pairs grow. */
function crowdedShell(size: number): Shell {
  const composer = new ShellComposer({ ref: shellRef('bench'), code: 'GEN 100', term, asOf: term.start });
  composer.page('Notes', '<p>The same notes, again and again.</p>', { path: 'notes.html' });
  const shell = composer.shell();
  const items = numbers(size).flatMap((n) => shell.items.map((item) => ({ ...item, ref: itemRef(`i${n}`) })));
  return { ...shell, items };
}

const milliseconds = (work: () => unknown): number => {
  const begun = performance.now();
  work();
  return performance.now() - begun;
};
/** The power of its size that a cost grows with, from the second size to the third. */
const exponent = (costs: readonly number[]): number =>
  Math.log10(Math.max(1, costs.at(-1) ?? 1) / Math.max(1, costs.at(-2) ?? 1));
const spell = (ms: number) => (ms < 10 ? ms.toFixed(1) : Math.round(ms).toLocaleString('en-GB'));
const row = (name: string, costs: readonly number[]) =>
  `| ${name} | ${costs.map(spell).join(' | ')} | ${exponent(costs).toFixed(2)} |`;

const lines = [
  '## Growth',
  '',
  `Made by \`npm run bench:limits\` on ${new Date().toISOString().slice(0, 10)}, Node ${process.version}. Milliseconds by the number of things, and the power of that number with which the cost grows from 10,000 to 100,000 (1 is linear).`,
  '',
  `| reader | ${sizes.map((n) => n.toLocaleString('en-GB')).join(' | ')} | power |`,
  '|---|---:|---:|---:|---:|',
];
const say = (line: string) => {
  lines.push(line);
  console.log(line);
};
for (const { name, input, read } of readers)
  say(
    row(
      name,
      sizes.map((size) => {
        const text = input(size);
        return milliseconds(() => read(text));
      }),
    ),
  );

for (const [title, shellOf] of [
  ['check, on a plain shell', plainShell],
  ['check, with everything on one resource', crowdedShell],
] as const) {
  const runs = sizes.map((size) => timingsOf(shellOf(size)));
  say('');
  say(`| ${title} | ${sizes.map((n) => n.toLocaleString('en-GB')).join(' | ')} | power |`);
  say('|---|---:|---:|---:|---:|');
  const costs = allChecks.map((check) => ({
    check: check.id,
    costs: runs.map((run) => run.get(check.id) ?? 0),
  }));
  say(
    row(
      'all',
      runs.map((run) => [...run.values()].reduce((a, b) => a + b, 0)),
    ),
  );
  for (const one of costs
    .filter((c) => (c.costs.at(-1) ?? 0) >= 100)
    .sort((a, b) => (b.costs.at(-1) ?? 0) - (a.costs.at(-1) ?? 0)))
    say(row(one.check, one.costs));
}

function timingsOf(shell: Shell): ReadonlyMap<string, number> {
  let timings: readonly CheckTiming[] = [];
  runChecks(shell, {
    checks: allChecks,
    clock: () => performance.now(),
    onTimings: (all) => (timings = all),
  });
  return new Map(timings.map((t) => [t.check, t.milliseconds]));
}

const report = 'docs/reliability.md';
const [before = ''] = readFileSync(report, 'utf8').split('\n## Odd inputs');
const odd = [
  '## Odd inputs',
  '',
  'Nothing is swallowed: what a reader meets and can’t take as it stands gets its line in the intake report, with its place and what was done instead, or the input is refused with a sentence. A test asks each of these.',
  '',
  ...oddityTable(),
  '',
];
if (process.argv[2] === undefined)
  writeFileSync(report, `${before.trimEnd()}\n\n${[...odd, ...lines].join('\n')}\n`);
