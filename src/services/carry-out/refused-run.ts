import { and, desc, eq, isNotNull } from 'drizzle-orm';
import { operations, runs } from '@/store/schema';
import type { Context } from '../context';

/** Why the newest run of a shell was not even begun, in a sentence; null where the newest one was. */
export function refusalOf({ db }: Context, shellId: string): string | null {
  const newest = db
    .select()
    .from(runs)
    .where(eq(runs.shellId, shellId))
    .orderBy(desc(runs.startedAt))
    .limit(1)
    .get();
  if (newest?.state !== 'stopped') return null;
  const line = db
    .select({ reason: operations.reason })
    .from(operations)
    .where(and(eq(operations.runId, newest.id), isNotNull(operations.reason)))
    .limit(1)
    .get();
  return line?.reason ?? null;
}
