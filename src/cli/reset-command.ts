import { entryOf } from '@/core/entries';
import { InvalidArgumentError, type Command } from 'commander';
import { nearest } from '@/core/checks/rules/house-rules';
import { resetAreas, type ResetArea } from '@/core/plan/areas/areas';
import { usualAreas } from '@/core/plan/reset/reset-shell';
import { plural } from '@/core/text/plural';
import { resetJson, resetText } from '@/formats/report/reset-report';
import { loadHouseRules } from '@/services/do/packages/house-rules-file';
import { ScratchFolder } from '@/services/do/clean/scratch-folder';
import { todayHere } from '@/services/keep/time/clock';
import { resetPackage, type ResetOutcome } from '@/services/do/clean/reset-package';
import { fail } from './audit-command';
import { clearOnInterrupt } from './interrupt';
import { complain, outputFormat, wordList } from './flag-values';
import { openProgress } from './progress-line';
import { inputsFrom, withShellFlags, type ShellFlags } from './shell-options';

interface ResetFlags extends ShellFlags {
  areas: readonly ResetArea[];
  keep: readonly string[];
  confirm?: string;
  withStudentWork?: number;
  outDir?: string;
  format: 'text' | 'json';
}

export function addReset(program: Command, setCode: (code: number) => void): void {
  withShellFlags(
    program
      .command('reset')
      .description('Empties a shell by area. Says what would go; writes only with --confirm and --out-dir.')
      .argument('<package>', 'course package, .imscc or .zip'),
  )
    .option('--areas <A,…>', `what is emptied: ${resetAreas.join(', ')}`, areaList, usualAreas)
    .option('--keep <REF,…>', 'these stay, with what they need', refList, [])
    .option('--confirm <CODE>', 'the shell’s code: carries the reset out')
    .option(
      '--with-student-work <N>',
      'so many of the things that go have student work, which is gone for good',
      wholeNumber,
    )
    .option('--out-dir <DIR>', 'a new or empty folder for the result')
    .option('--format <text|json>', 'what to print', outputFormat, 'text' as const)
    .action(async (path: string, flags: ResetFlags) => setCode(await resetCommand(path, flags)));
}

function areaList(text: string): readonly ResetArea[] {
  const names = wordList(text);
  if (names.length === 0) throw new InvalidArgumentError('Name at least one area.');
  return [...new Set(names)].map((name) => {
    const known = resetAreas.find((area) => area === name);
    if (known !== undefined) return known;
    throw new InvalidArgumentError(
      `There is no area “${name}”; the nearest one is ${nearest(name, resetAreas)}.`,
    );
  });
}

function refList(text: string): readonly string[] {
  const refs = wordList(text);
  if (refs.length === 0) throw new InvalidArgumentError('Name at least one ref.');
  return refs;
}

function wholeNumber(text: string): number {
  if (!/^\d{1,7}$/.test(text.trim())) throw new InvalidArgumentError(`“${text}” is no number of things.`);
  return Number(text);
}

/** Exit codes of what a reset may come to: not armed or not understood 2, a wrong number of student work 4. */
const codes: Readonly<Record<string, number>> = {
  usage: 2,
  'reset-refused': 2,
  'reset-not-armed': 2,
  'student-work': 4,
};

async function resetCommand(path: string, flags: ResetFlags): Promise<number> {
  const clash = clashOf(flags);
  if (clash !== null) return complain(clash);
  const inputs = inputsFrom(path, flags, todayHere());
  const rules = loadHouseRules(inputs.houseRules);
  if (!rules.ok) return fail(rules.trouble.message);
  const scratch: ScratchFolder = new ScratchFolder(() => clearOnInterrupt(() => scratch.remove()));
  const progress = await openProgress();
  const result = await resetPackage(inputs, {
    ask: { areas: flags.areas, keep: flags.keep },
    confirm: flags.confirm ?? null,
    withStudentWork: flags.withStudentWork ?? null,
    outDir: flags.outDir ?? null,
    rules: rules.value,
    scratch,
    onProgress: progress.say,
  });
  progress.end();
  if (!result.ok) {
    const code = entryOf(codes, result.trouble.code);
    return code === undefined ? fail(result.trouble.message) : complain(result.trouble.message, code);
  }
  tell(result.value, flags);
  return 0;
}

function clashOf({ confirm, outDir }: ResetFlags): string | null {
  if (confirm !== undefined && outDir === undefined)
    return 'name a new or empty folder for the result with --out-dir';
  if (confirm === undefined && outDir !== undefined)
    return 'a reset is carried out only with --confirm and the shell’s code; leave --out-dir out to look at it';
  return null;
}

function tell({ account, work }: ResetOutcome, flags: ResetFlags): void {
  const isDry = flags.confirm === undefined;
  if (isDry && work > 0)
    complain(
      `${plural(work, 'thing')} with student work would be gone for good; to carry it out, add --with-student-work ${work}`,
      0,
    );
  const ending = isDry ? 'Nothing was written.' : `Written to ${flags.outDir ?? ''}`;
  process.stdout.write(
    flags.format === 'json'
      ? `${JSON.stringify(resetJson(account), null, 2)}\n`
      : `${resetText(account)}${ending}\n`,
  );
}
