import { runs as runsOf } from '@/core/__tests__/runs';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { composedShells, writtenPlans } from '@/core/plan/__tests__/random-shells';
import { stepsOf } from '@/core/plan/__tests__/written-plans';
import { runPlan } from '@/core/plan/run-plan';
import { makeStep } from '@/core/plan/written-step';
import type { Shell } from '@/core/shell/model';
import type { FilePath, Sha256 } from '@/core/refs/refs';
import type { LocalDate } from '@/core/dates/local-date';
import { writeCartridge, type BytesSource } from '@/formats/cartridge/write-cartridge';
import { writeCalendar } from '@/formats/icalendar/write-calendar';
import { writeGrades } from '@/formats/oneroster/write-grades';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import { readShell } from '@/services/do/packages/read-shell';

jest.setTimeout(600_000);
const folder = mkdtempSync(join(tmpdir(), 'currycomb-plans-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const today = '2027-01-04' as LocalDate;
const pairs = runsOf(2000, 400);

/** Writes all of a shell and reads it again, with the bytes as it holds them. */
async function writtenAndRead(shell: Shell, source: BytesSource): Promise<Shell> {
  const dir = mkdtempSync(join(folder, 'p-'));
  const file = (name: string) => ({ path: join(dir, name), name });
  await writeCartridge(shell, source, join(dir, 'p.imscc'));
  writeFileSync(join(dir, 'e.ics'), writeCalendar(shell.events, shell.calendar ?? { head: '', others: [] }));
  writeFileSync(join(dir, 's.csv'), writeStatusSheet(shell));
  mkdirSync(join(dir, 'grades'));
  const grades = Object.entries(writeGrades(shell));
  for (const [name, text] of grades) writeFileSync(join(dir, 'grades', name), String(text));
  const hasGrades = shell.gradeCategories.length + shell.gradeColumns.length > 0;
  const read = await readShell({
    package: file('p.imscc'),
    ...(shell.calendar ? { events: file('e.ics') } : {}),
    ...(hasGrades ? { roster: file('grades') } : {}),
    status: file('s.csv'),
    timeZone: shell.timeZone,
    asOf: today,
    today,
  });
  if (!read.ok) throw new Error(read.trouble.message);
  read.value.archive.close();
  rmSync(dir, { recursive: true });
  return read.value.shell;
}

const sorted = <T>(list: readonly T[], key: (one: T) => string): T[] =>
  [...list].sort((a, b) => (key(a) < key(b) ? -1 : 1));

/** All of a shell but what no file says: the order of what is no list for people, and the bytes that a change rewrote. */
function comparable(shell: Shell): unknown {
  const outside = sorted(
    shell.items.filter((i) => !i.placed),
    (i) => i.ref,
  );
  return {
    ...shell,
    items: [...shell.items.filter((i) => i.placed), ...outside],
    contents: sorted(shell.contents, (c) => c.id),
    files: sorted(shell.files, (f) => f.path).map(({ sha256: _, bytes: __, ...file }) => file),
    entries: sorted(shell.entries, (e) => e.path).map(({ path, text }) => ({ path, text })),
    banks: sorted(shell.banks, (b) => b.ref),
    // An outline without items is not written at all, its root item neither; one that gets its first item gets a root, too.
    frame: {
      ...shell.frame,
      version: '',
      rootItemId: shell.items.some((i) => i.placed) ? (shell.frame.rootItemId ?? 'outline-root') : null,
    },
  };
}

test('what a plan leaves is, written and read back, equal to the model', async () => {
  await fc.assert(
    fc.asyncProperty(composedShells, fc.gen(), async ({ shell: composed, composer }, gen) => {
      const bytes = composer.source;
      const source: BytesSource = { read: (hash: Sha256, path: FilePath) => bytes.read(hash, path) };
      const shell = await writtenAndRead(composed, source);
      const written = gen(writtenPlans, shell).filter((one) => makeStep(shell, one).ok);
      const { after } = runPlan(shell, stepsOf(shell, written));
      expect(comparable(await writtenAndRead(after, source))).toEqual(comparable(after));
    }),
    { numRuns: pairs },
  );
});
