import type { HouseRules } from '@/core/checks/rules/house-rules';
import type { RedateAsk } from '@/core/redate/ask';
import { oldTermOf, redate, redatingSteps, type Redating } from '@/core/redate/redate';
import { good, type Result } from '@/core/shell/result';
import type { Shell } from '@/core/shell/model';
import { houseNoClass } from '@/core/time/house-terms';
import type { LocalDate } from '@/core/dates/local-date';
import { redateJson } from '@/formats/report/redate-report';
import { readShell } from '@/services/do/packages/read-shell';
import type { ShellInputs } from '@/services/do/packages/shell-inputs';
import { cleanPackage, type CleanOptions } from './clean-package';

export interface RedateOptions extends Pick<CleanOptions, 'outDir' | 'scratch' | 'onProgress'> {
  readonly ask: RedateAsk;
  /** Days without class of the old term; those of the house rules where none are told. */
  readonly oldNoClass: readonly LocalDate[] | null;
  /** Days typed in texts are changed, too. */
  readonly typed: boolean;
  readonly rules: HouseRules;
}

export type RedateOutcome =
  | { readonly kind: 'redated'; readonly redating: Redating }
  | { readonly kind: 'blocked'; readonly lines: readonly string[] };

/** Re-dates a package by script. Without an out-directory it works the re-dating out and writes nothing. */
export async function redatePackage(
  inputs: ShellInputs,
  options: RedateOptions,
): Promise<Result<RedateOutcome>> {
  const { ask, rules, outDir } = options;
  const workOut = (shell: Shell) =>
    redate(shell, ask, options.oldNoClass ?? houseNoClass(oldTermOf(shell), rules.terms));
  if (outDir === null) {
    const read = await readShell(
      { ...inputs, houseTerms: rules.terms },
      { onProgress: (done, total) => options.onProgress?.(done, total, 'Reading the package') },
    );
    if (!read.ok) return read;
    read.value.archive.close();
    const redating = workOut(read.value.shell);
    return redating.ok ? good({ kind: 'redated', redating: redating.value }) : redating;
  }
  let redating: Redating | null = null;
  const stepsFor = (shell: Shell) => {
    const result = workOut(shell);
    if (!result.ok) return result;
    redating = result.value;
    return redatingSteps(shell, result.value, options.typed);
  };
  const cleaned = await cleanPackage(inputs, {
    accept: { stepsFor },
    outDir,
    leaveBlocked: false,
    dryRun: false,
    rules,
    summaryJson: () => (redating === null ? null : redateJson(redating)),
    scratch: options.scratch,
    onProgress: options.onProgress,
  });
  if (!cleaned.ok) return cleaned;
  if (cleaned.value.kind === 'blocked') return good(cleaned.value);
  if (redating === null) throw new Error('A re-dating that was carried out was never worked out.');
  return good({ kind: 'redated', redating });
}
