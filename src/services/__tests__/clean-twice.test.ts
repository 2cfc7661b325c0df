import { runs as runsOf } from '@/core/__tests__/runs';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import fc from 'fast-check';
import { defaultHouseRules } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { composedShells } from '@/core/plan/__tests__/random-shells';
import { countShell } from '@/core/inventory/inventory';
import type { Shell } from '@/core/shell/model';
import type { LocalDate } from '@/core/dates/local-date';
import type { ShellComposer } from '@/formats/cartridge/compose-shell';
import { writeCartridge } from '@/formats/cartridge/write-cartridge';
import { writeCalendar } from '@/formats/icalendar/write-calendar';
import { writeGrades } from '@/formats/oneroster/write-grades';
import { writeStatusSheet } from '@/formats/status-sheet/write-status-sheet';
import { readShell } from '@/services/do/packages/read-shell';
import type { ShellInputs } from '@/services/do/packages/shell-inputs';
import { cleanPackage } from '@/services/do/clean/clean-package';
import type { CleanSummary } from '@/services/do/clean/clean-summary';
import { auditShell } from '@/services/do/packages/audit-shell';
import { cleanedInputs, faults, remedied, writeTroubled } from './troubled-shell';

jest.setTimeout(600_000);
const folder = mkdtempSync(join(tmpdir(), 'currycomb-twice-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const rules = { ...defaultHouseRules(allChecks), campusHosts: ['campus.example'] };
/** Every check there is: those without a remedy are passed over. */
const everyCheck = allChecks.map((check) => check.id);
let number = 0;
const freshFolder = () => join(folder, String((number += 1)));

async function cleanedInto(inputs: ShellInputs, outDir: string): Promise<CleanSummary> {
  const options = { accept: { checks: everyCheck }, leaveBlocked: true, dryRun: false, rules };
  const result = await cleanPackage(inputs, { ...options, outDir });
  if (!result.ok) throw new Error(result.trouble.message);
  if (result.value.kind !== 'cleaned') throw new Error('it was held back');
  return result.value.summary;
}

async function shellIn(inputs: ShellInputs): Promise<Shell> {
  const read = await readShell(inputs);
  if (!read.ok) throw new Error(read.trouble.message);
  read.value.archive.close();
  return read.value.shell;
}

const idsTwice = (shell: Shell): string[] => {
  const ids = auditShell(shell, rules).findings.map((finding) => finding.id);
  return ids.filter((id, at) => ids.indexOf(id) !== at);
};
/** Things that two files name and that were read as two: what the package, the sheet and the roster say is about one. */
function refsTwice(shell: Shell): string[] {
  const lists = [
    shell.items,
    shell.events,
    shell.gradeCategories,
    shell.gradeColumns,
    shell.banks,
    shell.groups,
    shell.homePages,
  ];
  return lists.flatMap((list) => {
    const refs = list.map(({ ref }) => ref as string);
    return refs.filter((ref, at) => refs.indexOf(ref) !== at);
  });
}

const doneIn = (summary: CleanSummary) => summary.steps.filter((step) => step.outcome === 'done');

/** Cleans with every remedy, and once more; the second does nothing, and all that was not removed is still there. */
async function cleanTwice(inputs: ShellInputs, dir: string, next: (dir: string) => ShellInputs) {
  const before = await shellIn(inputs);
  const summary = await cleanedInto(inputs, join(dir, 'once'));
  const again = await cleanedInto(next(join(dir, 'once')), join(dir, 'twice'));
  expect(doneIn(again)).toEqual([]);
  const bytes = (run: string) => readFileSync(join(dir, run, 'shell.imscc'));
  expect(bytes('twice').equals(bytes('once'))).toBe(true);
  const after = await shellIn(next(join(dir, 'once')));
  expect([idsTwice(before), idsTwice(after)]).toEqual([[], []]);
  expect(refsTwice(after)).toEqual([]);
  const counted = (shell: Shell) => countShell(shell);
  for (const key of ['files', 'events', 'gradeCategories', 'gradeColumns', 'banks'] as const)
    expect([key, counted(after)[key]]).toEqual([key, counted(before)[key] - summary.removed[key]]);
  return summary;
}

test('200 shells with faults for every remedy are clean after one cleaning', async () => {
  const taken = new Set<string>();
  await fc.assert(
    fc.asyncProperty(fc.shuffledSubarray(Object.keys(faults), { minLength: 8 }), async (wanted) => {
      const dir = freshFolder();
      const inputs = await writeTroubled(join(dir, 'in'), wanted);
      const summary = await cleanTwice(inputs, dir, (out) => cleanedInputs(inputs, out));
      expect(doneIn(summary).length).toBeGreaterThan(5);
      for (const { check } of summary.accepted) taken.add(check);
      rmSync(dir, { recursive: true });
    }),
    { numRuns: runsOf(200, 50) },
  );
  expect(remedied.filter((check) => !taken.has(check))).toEqual([]);
});

/** Writes any shell with its side files, and says how they are read. */
async function writeInputs(dir: string, shell: Shell, composer: ShellComposer): Promise<ShellInputs> {
  mkdirSync(join(dir, 'grades'), { recursive: true });
  await writeCartridge(shell, composer.source, join(dir, 'shell.imscc'));
  if (shell.calendar) writeFileSync(join(dir, 'events.ics'), writeCalendar(shell.events, shell.calendar));
  writeFileSync(join(dir, 'status.csv'), writeStatusSheet(shell));
  for (const [name, text] of Object.entries(writeGrades(shell)))
    writeFileSync(join(dir, 'grades', name), String(text));
  return inputsIn(dir, shell);
}

function inputsIn(dir: string, shell: Shell): ShellInputs {
  const file = (name: string) => ({ path: join(dir, name), name });
  const hasGrades = shell.gradeCategories.length + shell.gradeColumns.length > 0;
  return {
    code: 'HYD 214',
    termStart: '2027-01-11' as LocalDate,
    termEnd: '2027-05-07' as LocalDate,
    asOf: '2027-01-04' as LocalDate,
    today: '2027-01-04' as LocalDate,
    timeZone: shell.timeZone,
    package: file('shell.imscc'),
    status: file('status.csv'),
    ...(shell.calendar ? { events: file('events.ics') } : {}),
    ...(hasGrades ? { roster: file('grades') } : {}),
  };
}

test('so are 100 shells of any shape', async () => {
  let done = 0;
  await fc.assert(
    fc.asyncProperty(composedShells, async ({ shell, composer }) => {
      const dir = freshFolder();
      const inputs = await writeInputs(join(dir, 'in'), shell, composer);
      const summary = await cleanTwice(inputs, dir, (out) => inputsIn(out, shell));
      done += doneIn(summary).length;
      rmSync(dir, { recursive: true });
    }),
    { numRuns: runsOf(100, 30) },
  );
  // The shells are no empty ones: several remedies were taken in each.
  expect(done).toBeGreaterThan(200);
});
