import { Command, CommanderError } from 'commander';
import { addAudit, type WorkerFiles } from './audit-command';
import { addClean } from './clean-command';
import { addPreviewAdd } from './preview-add-command';

/** Runs the command line; returns the exit code: 0 done, 1 --fail-on met, 2 bad usage, 3 unreadable input, 4 blocked. */
export async function runCommandLine(
  args: readonly string[],
  workers: WorkerFiles = { audit: null, pages: null },
): Promise<number> {
  let code = 0;
  const program = new Command('currycomb')
    .description('Audits a course shell for what does not belong, and cleans it.')
    .exitOverride()
    .configureOutput({ outputError: (text, write) => write(text.replace(/^error: /, 'currycomb: ')) });
  const setCode = (n: number) => (code = n);
  addAudit(program, setCode, workers);
  addClean(program, setCode);
  addPreviewAdd(program, setCode);
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
