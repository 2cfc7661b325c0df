import { z } from 'zod';
import { isOver } from '@/services/keep/jobs/job-queue';
import type { Context } from '@/services/keep/desks/context';

export const jobIdsSchema = z.strictObject({ ids: z.array(z.string()).max(5_000) });

/** How far many jobs are together. */
export interface JobsProgress {
  readonly all: number;
  readonly over: number;
  /** Shares of jobs that are under way, added up: one that is half done counts for a half. */
  readonly underWay: number;
  /** What went wrong, a sentence a job. */
  readonly troubles: readonly { readonly id: string; readonly trouble: string }[];
  /** What the ended ones led to, as JSON. */
  readonly results: readonly { readonly id: string; readonly result: string }[];
}

/** One figure for many jobs; a job that is not known any more counts as over. */
export function jobsProgress(
  { jobs }: Pick<Context, 'jobs'>,
  { ids }: z.output<typeof jobIdsSchema>,
): JobsProgress {
  const rows = jobs.views(ids);
  const open = rows.filter((job) => !isOver(job));
  const share = ({ done, total }: { done: number; total: number }) =>
    total > 0 ? Math.min(done / total, 1) : 0;
  return {
    all: ids.length,
    over: ids.length - open.length,
    underWay: open.reduce((sum, job) => sum + share(job), 0),
    troubles: rows.flatMap(({ id, state, trouble }) =>
      state === 'failed' || state === 'cancelled' ? [{ id, trouble: trouble ?? 'It was not done.' }] : [],
    ),
    results: rows.flatMap(({ id, state, result }) =>
      state === 'done' && result !== null ? [{ id, result }] : [],
    ),
  };
}
