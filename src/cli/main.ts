import { Command, CommanderError } from 'commander';
import { addAudit, type WorkerFiles } from './audit-command';
import { addClean } from './clean-command';
import { addCompare } from './compare-command';
import { addFolderCommands } from './folder-commands';
import { addPreviewAdd } from './preview-add-command';
import { addAdd } from './add-command';
import { addRedate } from './redate-command';
import { addReset } from './reset-command';
import { contradictionOf, type ShellFlags } from './shell-options';
import { version } from '../../package.json';

const examples = `
Examples:
  currycomb audit HYD-214.imscc --events events.ics --code "HYD 214" --term-start 2027-01-11 --term-end 2027-05-07
  currycomb audit shells/*.imscc --format csv --out shells.csv
  currycomb clean HYD-214.imscc --accept safe --dry-run
  currycomb clean HYD-214.imscc --accept safe --out-dir cleaned
  currycomb redate HYD-214.imscc --events events.ics --term-start 2027-01-11 --term-end 2027-05-07 --no-class 2027-03-15..2027-03-19
  currycomb preview-add LIB-101.imscc --into HYD-214.imscc
  currycomb compare HYD-214-autumn.imscc HYD-214.imscc`;

/** Runs the command line; returns the exit code: 0 done, 1 --fail-on met, 2 bad usage, 3 unreadable input, 4 blocked. */
export async function runCommandLine(
  args: readonly string[],
  workers: WorkerFiles = { audit: null, pages: null },
): Promise<number> {
  let code = 0;
  const program = new Command('currycomb')
    .description('Audits a course shell for what does not belong, and cleans it.')
    .version(version, '--version', 'say which version this is')
    .addHelpText('after', examples)
    .hook('preAction', (_, command) => {
      const contradiction = contradictionOf(command.opts<ShellFlags>());
      if (contradiction !== null) command.error(`error: ${contradiction}`, { exitCode: 2 });
    })
    .exitOverride()
    .configureOutput({ outputError: (text, write) => write(text.replace(/^error: /, 'currycomb: ')) });
  const setCode = (n: number) => (code = n);
  addAudit(program, setCode, workers);
  addClean(program, setCode);
  addCompare(program, setCode);
  addPreviewAdd(program, setCode);
  addRedate(program, setCode);
  addAdd(program, setCode);
  addReset(program, setCode);
  addFolderCommands(program, setCode);
  for (const command of program.commands)
    command
      .exitOverride()
      .configureOutput({ outputError: (text, write) => write(text.replace(/^error: /, 'currycomb: ')) });
  try {
    await program.parseAsync(['node', 'currycomb', ...args]);
  } catch (error) {
    if (!(error instanceof CommanderError)) throw error;
    if (error.code === 'commander.help' && args.length === 0) return 2;
    return error.exitCode === 0 ? 0 : 2;
  }
  return code;
}
