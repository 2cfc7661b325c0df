import type { Command } from 'commander';
import type { Shell } from '@/core/shell/model';
import type { Result } from '@/core/shell/result';
import { compareShells } from '@/core/two-shells/compare-shells';
import { compareJson, compareText } from '@/formats/report/compare-report';
import { readShell } from '@/services/do/packages/read-shell';
import { todayHere } from '@/services/keep/time/clock';
import { fail } from './audit-command';
import { outputFormat } from './flag-values';
import { openProgress } from './progress-line';
import { inputsFrom, withShellFlags, type ShellFlags } from './shell-options';

interface CompareFlags extends ShellFlags {
  otherEvents?: string;
  otherRoster?: string;
  otherStatus?: string;
  format: 'text' | 'json';
}

export function addCompare(program: Command, setCode: (code: number) => void): void {
  withShellFlags(
    program
      .command('compare')
      .description(
        'Says what became of one shell in another: missing, new, changed, re-dated, moved, in another order. Changes nothing.',
      )
      .argument('<other>', 'the package to compare with: the source of a copy, last term’s, the master')
      .argument('<package>', 'the shell’s own package'),
  )
    .option('--other-events <F.ics>', 'the other shell’s calendar')
    .option('--other-roster <DIR|ZIP>', 'the other shell’s OneRoster CSV')
    .option('--other-status <F.csv>', 'the other shell’s status sheet')
    .option('--format <text|json>', 'what to print', outputFormat, 'text' as const)
    .addHelpText('after', '\n--events, --roster, --status, code and term belong to the second package.')
    .action(async (other: string, path: string, flags: CompareFlags) =>
      setCode(await compare(other, path, flags)),
    );
}

async function compare(otherPath: string, path: string, flags: CompareFlags): Promise<number> {
  const { otherEvents: events, otherRoster: roster, otherStatus: status, asOf, timeZone } = flags;
  const other = await readOne('the first package', otherPath, { events, roster, status, asOf, timeZone });
  if (!other.ok) return fail(`The first package: ${other.trouble.message}`);
  const here = await readOne('the second package', path, flags);
  if (!here.ok) return fail(`The second package: ${here.trouble.message}`);
  const comparison = compareShells(other.value, here.value);
  process.stdout.write(
    flags.format === 'json'
      ? `${JSON.stringify(compareJson(other.value, here.value, comparison), null, 2)}\n`
      : compareText(other.value, here.value, comparison),
  );
  return 0;
}

async function readOne(name: string, path: string, flags: ShellFlags): Promise<Result<Shell>> {
  const progress = await openProgress();
  const read = await readShell(inputsFrom(path, flags, todayHere()), {
    onProgress: (done, total) => progress.say(done, total, `Reading ${name}`),
  });
  progress.end();
  if (!read.ok) return read;
  read.value.archive.close();
  return { ok: true, value: read.value.shell };
}
