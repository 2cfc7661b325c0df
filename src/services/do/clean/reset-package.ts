import type { HouseRules } from '@/core/checks/rules/house-rules';
import {
  accountOf,
  resetShell,
  type Reset,
  type ResetAccount,
  type ResetAsk,
} from '@/core/plan/reset/reset-shell';
import { runPlan } from '@/core/plan/run-plan';
import type { Shell } from '@/core/shell/model';
import { bad, good, type Result } from '@/core/shell/result';
import { resetJson } from '@/formats/report/reset-report';
import { readShell } from '@/services/do/packages/read-shell';
import type { ShellInputs } from '@/services/do/packages/shell-inputs';
import { cleanPackage, type CleanOptions } from './clean-package';

export interface ResetOptions extends Pick<CleanOptions, 'outDir' | 'scratch' | 'onProgress'> {
  readonly ask: ResetAsk;
  readonly rules: HouseRules;
  /** The shell’s code, which arms the reset; null for a look only. */
  readonly confirm: string | null;
  /** How many things that go have student work, as whoever asks for it says; null where nobody said. */
  readonly withStudentWork: number | null;
}

export interface ResetOutcome {
  readonly account: ResetAccount;
  /** How many things that go, or went, have student work. */
  readonly work: number;
}

/**
 * Resets a package by script. Without the shell’s code it works the reset out and writes nothing. Troubles:
 * `reset-refused` for what can’t be asked, `reset-not-armed` for a wrong code, `student-work` for a wrong number.
 */
export async function resetPackage(
  inputs: ShellInputs,
  options: ResetOptions,
): Promise<Result<ResetOutcome>> {
  return options.confirm === null ? lookAtReset(inputs, options) : carryOutReset(inputs, options);
}

async function lookAtReset(inputs: ShellInputs, options: ResetOptions): Promise<Result<ResetOutcome>> {
  const read = await readShell(
    { ...inputs, houseTerms: options.rules.terms },
    { onProgress: (done, total) => options.onProgress?.(done, total, 'Reading the package') },
  );
  if (!read.ok) return read;
  const { shell, archive } = read.value;
  archive.close();
  const reset = resetShell(shell, options.ask);
  if (!reset.ok) return reset;
  const run = runPlan(shell, stepsOf(reset.value), options.rules);
  return good({
    account: accountOf(shell, reset.value, run.results, run.after),
    work: reset.value.work.length,
  });
}

const stepsOf = ({ step }: Reset) => (step === null ? [] : [step]);

interface WorkedOut {
  readonly shell: Shell;
  readonly reset: Reset;
}

async function carryOutReset(inputs: ShellInputs, options: ResetOptions): Promise<Result<ResetOutcome>> {
  let workedOut: WorkedOut | null = null;
  let account: ResetAccount | null = null;
  const cleaned = await cleanPackage(inputs, {
    accept: {
      stepsFor: (shell) => {
        const reset = resetShell(shell, options.ask);
        if (!reset.ok) return reset;
        const trouble = whyNotArmed(shell, reset.value, options);
        if (trouble) return trouble;
        workedOut = { shell, reset: reset.value };
        return good(stepsOf(reset.value));
      },
    },
    outDir: options.outDir,
    leaveBlocked: true,
    dryRun: false,
    rules: options.rules,
    // What is left is told from what was written and read back.
    summaryJson: (after, results) => {
      if (workedOut === null) throw new Error('A reset that was carried out was never worked out.');
      const { shell, reset } = workedOut;
      account = accountOf(shell, reset, results, after);
      return resetJson(account);
    },
    scratch: options.scratch,
    onProgress: options.onProgress,
  });
  if (!cleaned.ok) return cleaned;
  if (workedOut === null || account === null)
    throw new Error('A reset that was carried out was never worked out.');
  const { reset } = workedOut as WorkedOut;
  return good({ account, work: reset.work.length });
}

function whyNotArmed(
  shell: Shell,
  reset: Reset,
  { confirm, withStudentWork }: ResetOptions,
): ReturnType<typeof bad> | null {
  if (shell.code === '')
    return bad('reset-not-armed', 'Nobody told the code of this shell; give it with --code, and confirm it.');
  if (confirm !== shell.code)
    return bad(
      'reset-not-armed',
      `“${confirm}” is not the code of this shell; confirm with --confirm "${shell.code}".`,
    );
  const work = reset.work.length;
  if (work === (withStudentWork ?? 0)) return null;
  const said = withStudentWork === null ? 'nobody said so' : `${withStudentWork} were said`;
  return bad(
    'student-work',
    `${work} of the things that would go have student work, which is gone for good, and ${said}; say so with --with-student-work ${work}.`,
  );
}
