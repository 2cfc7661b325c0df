import { and, desc, eq, isNotNull } from 'drizzle-orm';
import { operations, runs } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** Why the newest run was not even begun, in a sentence; null where it was, or the shell is another since. */
export function refusalOf({ db }: OpenFolder, { row, version }: CurrentShell): string | null {
  const newest = db
    .select()
    .from(runs)
    .where(eq(runs.shellId, row.id))
    .orderBy(desc(runs.startedAt))
    .limit(1)
    .get();
  if (newest?.state !== 'stopped' || newest.beforeVersion !== version.id) return null;
  const line = db
    .select({ reason: operations.reason })
    .from(operations)
    .where(and(eq(operations.runId, newest.id), isNotNull(operations.reason)))
    .limit(1)
    .get();
  return line?.reason ?? null;
}
