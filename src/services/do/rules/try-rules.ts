import { good, type Result } from '@/core/shell/result';
import type { Context } from '@/services/keep/desks/context';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { answersFor } from '@/services/keep/probe/known-answers';
import { blobHash } from '@/services/keep/shells/kept-state';
import { rulesFor } from '@/services/keep/rules/house-rules';
import { rulesFrom, type WrittenRules } from '@/services/keep/rules/written-rules';

/** Orders other rules to be tried on a shell; nothing is kept but the job's own result, the effect check by check. */
export function orderTryRules(
  context: Context,
  shell: CurrentShell,
  written: WrittenRules,
): Result<{ jobId: string }> {
  const read = rulesFrom(written);
  if (!read.ok) return read;
  const stateBlob = blobHash.parse(shell.version.stateBlob);
  const rules = { now: rulesFor(context, shell.row).written, then: written };
  const answers = answersFor(context.db, shell.row.id);
  return good({ jobId: context.jobs.order('try-rules', shell.row.id, { stateBlob, answers, ...rules }) });
}
