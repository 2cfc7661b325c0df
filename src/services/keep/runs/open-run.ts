import { and, eq, inArray } from 'drizzle-orm';
import { bad } from '@/core/shell/result';
import { runs } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { RunRow } from '@/services/keep/shells/current-shell';

/** The run of a shell on its host that is not at its end: waiting, under way, or paused. Nothing else may change the shell meanwhile. */
export const openRunOf = ({ db }: OpenFolder, shellId: string): RunRow | null =>
  db
    .select()
    .from(runs)
    .where(
      and(
        eq(runs.shellId, shellId),
        eq(runs.place, 'host'),
        inArray(runs.state, ['planned', 'running', 'paused']),
      ),
    )
    .get() ?? null;

/** The trouble that nothing else may change the shell now; null where it may. */
export const whyNotNow = (folder: OpenFolder, shellId: string): ReturnType<typeof bad> | null =>
  openRunOf(folder, shellId)
    ? bad('run-open', 'A run on the host is not at its end yet; let it go on or stop it first.')
    : null;
