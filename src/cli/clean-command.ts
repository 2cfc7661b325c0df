import { readFileSync } from 'node:fs';
import { InvalidArgumentError, type Command } from 'commander';
import { nearest } from '@/core/checks/rules/house-rules';
import { allChecks } from '@/core/checks/run/registry';
import { loadHouseRules } from '@/services/do/packages/house-rules-file';
import { cleanPackage, type Acceptance } from '@/services/do/clean/clean-package';
import type { CleanSummary } from '@/services/do/clean/clean-summary';
import { ScratchFolder } from '@/services/do/clean/scratch-folder';
import { fail } from './audit-command';
import { todayHere } from '@/services/keep/time/clock';
import { clearOnInterrupt } from './interrupt';
import { complain, outputFormat, wordList } from './flag-values';
import { openProgress } from './progress-line';
import { inputsFrom, withShellFlags, type ShellFlags } from './shell-options';

interface CleanFlags extends ShellFlags {
  accept?: Acceptance;
  plan?: string;
  outDir?: string;
  leaveBlocked?: boolean;
  dryRun?: boolean;
  format: 'text' | 'json';
}

export function addClean(program: Command, setCode: (code: number) => void): void {
  withShellFlags(
    program
      .command('clean')
      .description('Takes proposed remedies, carries them out and writes the clean package.')
      .argument('<package>', 'course package, .imscc or .zip'),
  )
    .option(
      '--accept <CHECK,…|safe>',
      'checks whose remedies are taken, or safe for all that lose nothing',
      acceptance,
    )
    .option('--plan <PLAN.json>', 'a plan made before')
    .option('--out-dir <DIR>', 'a new or empty folder for the result')
    .option('--leave-blocked', 'do the rest where a guard blocks a step')
    .option('--dry-run', 'say what would be done and write nothing')
    .option('--format <text|json>', 'what to print', outputFormat, 'text' as const)
    .action(async (path: string, flags: CleanFlags) => setCode(await clean(path, flags)));
}

function acceptance(text: string): Acceptance {
  if (text.trim() === 'safe') return { safe: true };
  const names = wordList(text);
  const known = allChecks.map((c) => c.id as string);
  for (const name of names)
    if (!known.includes(name))
      throw new InvalidArgumentError(
        `There is no check “${name}”; the nearest one is ${nearest(name, known)}.`,
      );
  if (!names.length) throw new InvalidArgumentError('Name at least one check, or safe.');
  return { checks: names };
}

/** The plan of a file; null where it is no JSON. */
function readPlan(file: string | undefined): Acceptance | null {
  try {
    return { plan: JSON.parse(readFileSync(file ?? '', 'utf8')) as unknown };
  } catch {
    return null;
  }
}

async function clean(path: string, flags: CleanFlags): Promise<number> {
  if ((flags.accept === undefined) === (flags.plan === undefined))
    return complain('give either --accept or --plan');
  if (!flags.dryRun && flags.outDir === undefined)
    return complain('name a new or empty folder with --out-dir, or use --dry-run');
  const inputs = inputsFrom(path, flags, todayHere());
  const rules = loadHouseRules(inputs.houseRules);
  if (!rules.ok) return fail(rules.trouble.message);
  const accept = flags.accept ?? readPlan(flags.plan);
  if (accept === null)
    return fail(`The plan “${flags.plan}” can’t be read as JSON; give the plan.json that clean wrote.`);
  const scratch: ScratchFolder = new ScratchFolder(() => clearOnInterrupt(() => scratch.remove()));
  const progress = await openProgress();
  const result = await cleanPackage(inputs, {
    accept,
    outDir: flags.outDir ?? null,
    leaveBlocked: flags.leaveBlocked ?? false,
    dryRun: flags.dryRun ?? false,
    rules: rules.value,
    scratch,
    onProgress: progress.say,
  });
  progress.end();
  if (!result.ok)
    return result.trouble.code === 'usage' ? complain(result.trouble.message) : fail(result.trouble.message);
  if (result.value.kind === 'blocked') {
    for (const line of result.value.lines) process.stderr.write(`currycomb: blocked: ${line}\n`);
    return 4;
  }
  const { summary } = result.value;
  process.stdout.write(
    flags.format === 'json' ? `${JSON.stringify(summary, null, 2)}\n` : summaryText(summary, flags),
  );
  return 0;
}

function summaryText(summary: CleanSummary, flags: CleanFlags): string {
  const { removed } = summary;
  const of = (outcome: string) => summary.steps.filter((s) => s.outcome === outcome).length;
  const sum = (counts: Record<string, number>) => Object.values(counts).reduce((a, b) => a + b, 0);
  return [
    `${summary.accepted.length} findings accepted; ${of('done')} steps ${flags.dryRun ? 'would be done' : 'done'}, ${of('blocked')} blocked, ${of('nothing')} without effect`,
    `Removed: ${removed.items} items, ${removed.files} files, ${removed.events} events; ${summary.relinked} links led elsewhere`,
    `Findings: ${sum(summary.before)} before, ${sum(summary.after)} after, ${summary.caused.length} of them new`,
    ...(flags.dryRun ? ['Nothing was written.'] : [`Written to ${flags.outDir}`]),
    '',
  ].join('\n');
}
