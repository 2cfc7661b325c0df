import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { runs } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import { openRunOf } from '@/services/keep/runs/open-run';

export const wishSchema = z.strictObject({ wish: z.enum(['go', 'pause', 'stop']) });

/**
 * Says what the operator wants of the run that is under way: pause after the batch that is being sent, go on, or stop
 * for good. A run that waits is started again for either of the last two.
 */
export function wishOfRun(
  context: Context,
  shellId: string,
  { wish }: z.output<typeof wishSchema>,
): Result<{ jobId: string }> {
  const run = openRunOf(context, shellId);
  if (!run) return bad('no-run', 'There is no run of this shell that could be paused or go on.');
  context.db.update(runs).set({ wish }).where(eq(runs.id, run.id)).run();
  const underWay = context.jobs.underWay(shellId, 'host-run');
  if (underWay) return good({ jobId: underWay.id });
  if (wish === 'pause') return bad('paused-already', 'The run is paused already.');
  return good({ jobId: context.jobs.order('host-run', shellId, { runId: run.id }) });
}
