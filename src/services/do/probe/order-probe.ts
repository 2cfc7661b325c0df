import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import type { Context } from '@/services/keep/desks/context';
import { rulesFor } from '@/services/keep/rules/house-rules';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash } from '@/services/keep/shells/kept-state';
import { probeJob } from './probe-job';
import { isProbeOn } from '@/services/keep/probe/probe-switch';

export const orderProbeSchema = z.strictObject({
  /** Ask all of them again, however new their answers are. */
  again: z.boolean().default(false),
});

/** Orders the addresses outside of a shell to be asked. Refused while the probe is switched off. */
export function orderProbe(
  context: Context,
  { row, version }: CurrentShell,
  { again }: z.output<typeof orderProbeSchema>,
): Result<{ jobId: string }> {
  if (!isProbeOn(context.db))
    return bad(
      'probe-off',
      'The link probe is switched off, so nothing leaves this computer; switch it on first.',
    );
  const underWay = context.jobs.underWay(row.id, probeJob.kind);
  if (underWay) return good({ jobId: underWay.id });
  const jobId = context.jobs.order('probe', row.id, {
    versionId: version.id,
    stateBlob: blobHash.parse(version.stateBlob),
    rules: rulesFor(context, row).written,
    again,
    orderedAt: new Date().toISOString(),
  });
  return good({ jobId });
}
