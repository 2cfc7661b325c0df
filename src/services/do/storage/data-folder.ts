import { randomUUID } from 'node:crypto';
import { createReadStream, existsSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { and, desc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { jobs } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import type { Examination } from '@/services/do/storage/doctor/diagnosis';
import { passingFolder } from '@/services/keep/storage/leftovers';

export const folderOrder = z.strictObject({ act: z.enum(['examine', 'mend', 'backup']) });
export type FolderAct = z.output<typeof folderOrder>['act'];

/** What was found when the folder was looked over, and what was mended then. */
export type LookedOver = Examination & { readonly mended: readonly string[]; readonly at: string };

/** Orders something about the whole data folder; gives the id of the job. */
export function orderForFolder(context: Context, act: FolderAct, now: Date): string {
  if (act !== 'backup') return context.jobs.order('examine', null, { mend: act === 'mend' });
  const id = randomUUID();
  const file = join(passingFolder(context.dataDir, 'exports'), id);
  return context.jobs.order('backup', null, { file, id, now: now.toISOString() });
}

/** What the last look at the folder found; null where nobody has looked in the last days. */
export function lastLook({ db }: Pick<Context, 'db'>): LookedOver | null {
  const job = db
    .select({ result: jobs.result, at: jobs.finishedAt })
    .from(jobs)
    .where(and(eq(jobs.kind, 'examine'), eq(jobs.state, 'done')))
    .orderBy(desc(jobs.finishedAt))
    .limit(1)
    .get();
  if (!job?.result || job.at === null) return null;
  return { ...(JSON.parse(job.result) as Omit<LookedOver, 'at'>), at: job.at };
}

/** A backup that was written, as a stream; the file is gone when it is sent. Null where it is not there any more. */
export function fetchBackup(
  { dataDir }: Pick<Context, 'dataDir'>,
  id: string,
): { readonly bytes: number; readonly stream: Readable } | null {
  if (!z.uuid().safeParse(id).success) return null;
  const file = join(passingFolder(dataDir, 'exports'), id);
  if (!existsSync(file)) return null;
  const stream = createReadStream(file);
  stream.on('end', () => rmSync(file, { force: true }));
  return { bytes: statSync(file).size, stream };
}
