import { good, type Result } from '@/core/shell/result';
import type { Context } from '../context';
import type { CurrentShell } from '../shells/current-shell';
import { answersFor } from '../probe/known-answers';
import { blobHash } from '../shells/kept-state';
import { rulesFor } from './house-rules';
import { rulesFrom, type WrittenRules } from './written-rules';

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
