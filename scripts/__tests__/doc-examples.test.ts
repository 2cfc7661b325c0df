import { spawnSync } from 'node:child_process';
import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { LocalDateTime } from '@/core/dates/local-date';
import { readStatusSheet } from '@/formats/status-sheet/read-status-sheet';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { openContext } from '@/services/wire/folder/open-context';

const root = process.cwd();
const program = join(root, 'dist/cli.mjs');
const folder = mkdtempSync(join(tmpdir(), 'currycomb-examples-'));

/** The commands of a page, each with the exit code that its comment names. */
function commandsOf(page: string): readonly { readonly line: string; readonly exit: number }[] {
  const text = readFileSync(join(root, page), 'utf8');
  const blocks = [...text.matchAll(/^```sh\n([\s\S]*?)^```/gm)].map((match) => match[1] ?? '');
  return blocks
    .flatMap((block) => block.split('\n'))
    .filter((line) => line.startsWith('npx currycomb '))
    .map((line) => ({
      line: line.replace(/\s+# exit \d+$/, ''),
      exit: Number(/# exit (\d+)$/.exec(line)?.[1] ?? 0),
    }));
}

const due = '2025-10-07T23:59:00' as LocalDateTime;
async function course(name: string, weeks: number): Promise<void> {
  const c = new ShellComposer();
  for (let week = 1; week <= weeks; week += 1) {
    c.module(`Week ${week}`, { ref: `week-${week}` });
    const text = `<p>In week ${week} we measure the stream at gauge ${week}, and write down what we see.</p>`;
    c.page(`Notes ${week}`, text, { ref: `notes-${week}`, parent: `week-${week}`, path: `w${week}.html` });
  }
  c.assignment('Report', '<p>Hand in what you measured at the weir.</p>', 10, { ref: 'report', due });
  c.file('files/left.txt', 'nobody points at this');
  await c.write(join(folder, name));
}

const calendar = [
  'BEGIN:VCALENDAR',
  'VERSION:2.0',
  'PRODID:-//Tarn Hollow//Calendar//EN',
  'BEGIN:VEVENT',
  'UID:field-trip',
  'DTSTAMP:20250820T080000Z',
  'DTSTART:20251007T130000Z',
  'DTEND:20251007T150000Z',
  'SUMMARY:Field trip',
  'END:VEVENT',
  'END:VCALENDAR',
  '',
].join('\r\n');

beforeAll(async () => {
  if (!existsSync(program)) throw new Error('Build the command line first: npm run build:cli');
  await course('COURSE.imscc', 3);
  await course('OTHER.imscc', 2);
  await course('SHELL.imscc', 3);
  mkdirSync(join(folder, 'courses'));
  await course('courses/a.imscc', 2);
  await course('courses/b.imscc', 3);
  writeFileSync(join(folder, 'events.ics'), calendar);
  writeFileSync(join(folder, 'courses/a.events.ics'), calendar);
  writeFileSync(join(folder, 'house-rules.json'), '{"schema":"currycomb.house-rules/1"}');
  const paths = {
    dataDir: join(folder, 'data'),
    migrationsDir: join(root, 'src/store/migrations'),
    workers: join(root, 'dist/workers'),
  };
  await openContext(paths).close();
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const commands = [...commandsOf('docs/command-line.md'), ...commandsOf('README.md')];

test.each(commands.map(({ line, exit }) => [line, exit] as const))('%s ends with %i', (line, exit) => {
  const command = line.replace(/^npx currycomb/, `"${process.execPath}" "${program}"`);
  const run = spawnSync('bash', ['-c', command], { cwd: folder, encoding: 'utf8' });
  expect({ status: run.status, said: run.status === exit ? '' : run.stderr }).toEqual({
    status: exit,
    said: '',
  });
});

test('what the examples write is there', () => {
  expect(readdirSync(folder)).toEqual(
    expect.arrayContaining([
      'again',
      'audit.html',
      'audit.json',
      'cleaned',
      'empty',
      'moved',
      'reports',
      'restored',
    ]),
  );
  expect(readdirSync(folder)).not.toContain('never');
});

test('the example of a status sheet is read without a word', () => {
  const text = readFileSync(join(root, 'docs/status-sheet.md'), 'utf8');
  const sheet = /^```\n(ref,[\s\S]*?)^```/m.exec(text)?.[1] ?? '';
  const read = readStatusSheet(sheet, 'status.csv');
  expect(read.ok && [read.value.rows.length, read.value.notes]).toEqual([3, []]);
});

/** Pages with relative links, the guide’s among them. */
const pages = [
  'README.md',
  ...readdirSync(join(root, 'docs')).map((name) => `docs/${name}`),
  ...readdirSync(join(root, 'docs/guide')).map((name) => `docs/guide/${name}`),
].filter((name) => name.endsWith('.md'));

test.each(pages)('every link of %s leads somewhere', (page) => {
  const text = readFileSync(join(root, page), 'utf8').replace(/```[\s\S]*?```/g, '');
  const links = [...text.matchAll(/\]\((?!https?:|#|mailto:)([^)#\s]+)/g)].map((match) => match[1] ?? '');
  const missing = links.filter((link) => !existsSync(join(root, page, '..', link)));
  expect(missing).toEqual([]);
});
