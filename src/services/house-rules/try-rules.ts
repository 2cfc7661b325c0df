import type { Sha256 } from '@/core/shell/refs';
import { good, type Result } from '@/core/shell/result';
import type { Context } from '../context';
import type { CurrentShell } from '../shells/current-shell';
import { keptRules } from './house-rules';
import { rulesFrom, type WrittenRules } from './written-rules';

/** Orders other rules to be tried on a shell; nothing is kept but the job's own result, the effect check by check. */
export function orderTryRules(
  context: Context,
  shell: CurrentShell,
  written: WrittenRules,
): Result<{ jobId: string }> {
  const read = rulesFrom(written);
  if (!read.ok) return read;
  const jobId = context.jobs.order(
    'try-rules',
    shell.row.id,
    { stateBlob: shell.version.stateBlob as Sha256, now: keptRules(context).written, then: written },
    (effects) => effects,
  );
  return good({ jobId });
}
