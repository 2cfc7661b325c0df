import type { Command } from 'commander';
import { holdAgainst } from '@/core/add/hold-against';
import { previewAddJson, previewAddText } from '@/formats/report/preview-add';
import { readShell } from '@/services/do/packages/read-shell';
import { todayHere } from '@/services/keep/time/clock';
import { fail } from './audit-command';
import { outputFormat } from './flag-values';
import { openProgress } from './progress-line';
import { inputsFrom, withShellFlags, type ShellFlags } from './shell-options';

interface PreviewFlags extends ShellFlags {
  into: string;
  intoEvents?: string;
  intoRoster?: string;
  intoStatus?: string;
  format: 'text' | 'json';
}

export function addPreviewAdd(program: Command, setCode: (code: number) => void): void {
  withShellFlags(
    program
      .command('preview-add')
      .description(
        'Says what adding a package to a shell would bring: new, there already, different, doubled. Changes nothing.',
      )
      .argument('<package>', 'the package to be added'),
  )
    .requiredOption('--into <SHELL-PACKAGE>', 'the shell’s own package')
    .option('--into-events <F.ics>', 'the shell’s calendar')
    .option('--into-roster <DIR|ZIP>', 'the shell’s OneRoster CSV')
    .option('--into-status <F.csv>', 'the shell’s status sheet')
    .option('--format <text|json>', 'what to print', outputFormat, 'text' as const)
    .addHelpText(
      'after',
      '\n--events, --roster and --status belong to the package to be added; code and term to the shell.',
    )
    .action(async (path: string, flags: PreviewFlags) => setCode(await previewAdd(path, flags)));
}

async function previewAdd(path: string, flags: PreviewFlags): Promise<number> {
  const today = todayHere();
  const progress = await openProgress();
  const reading = (doing: string) => ({
    onProgress: (done: number, total: number) => progress.say(done, total, doing),
  });
  const into = await readShell(
    inputsFrom(
      flags.into,
      { ...flags, events: flags.intoEvents, roster: flags.intoRoster, status: flags.intoStatus },
      today,
    ),
    reading('Reading the shell'),
  );
  progress.end();
  if (!into.ok) return fail(`The shell: ${into.trouble.message}`);
  into.value.archive.close();
  const { shell } = into.value;
  const sideFlags = { events: flags.events, roster: flags.roster, status: flags.status, asOf: flags.asOf };
  const from = await readShell(
    { ...inputsFrom(path, sideFlags, today), timeZone: shell.timeZone },
    reading('Reading the package'),
  );
  progress.end();
  if (!from.ok) return fail(from.trouble.message);
  from.value.archive.close();
  const preview = holdAgainst(shell, from.value.shell);
  process.stdout.write(
    flags.format === 'json'
      ? `${JSON.stringify(previewAddJson(shell, from.value.shell, from.value.intake, preview), null, 2)}\n`
      : previewAddText(shell, from.value.shell, preview),
  );
  return 0;
}
