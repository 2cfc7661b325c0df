import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { shells } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import { keptRules, rulesFor } from '@/services/keep/rules/house-rules';
import { whyNotNow } from '@/services/keep/runs/open-run';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { findHost } from '@/services/keep/hosts/host-records';

export const pullForm = z.strictObject({ hostId: z.uuid(), shell: z.string().min(1).max(200) });

/** Orders a shell to be read from its host; one that is here already is told by its address. */
export function orderPull(
  context: Context,
  { hostId, shell }: z.output<typeof pullForm>,
): Result<{ jobId: string }> {
  if (!findHost(context.db, hostId)) return bad('no-host', 'This host is not known any more; sign in again.');
  const here = context.db
    .select()
    .from(shells)
    .where(and(eq(shells.hostId, hostId), eq(shells.hostShell, shell)))
    .get();
  if (here)
    return bad(
      'here-already',
      `This shell is here already, as ${here.code}; open it and read it again there.`,
    );
  const { written } = keptRules(context);
  const input = { hostId, hostShell: shell, here: null, combBy: written };
  return good({ jobId: context.jobs.order('pull', null, input) });
}

/** Orders a shell that stands on a host to be read again, as it is there now. */
export function orderPullAgain(context: Context, { row, version }: CurrentShell): Result<{ jobId: string }> {
  if (row.hostId === null || row.hostShell === null)
    return bad('no-host', 'This shell was brought in as a package; it stands on no host.');
  const refused = whyNotNow(context, row.id);
  if (refused) return refused;
  const here = { shellId: row.id, versionId: version.id };
  const { written } = rulesFor(context, row);
  const input = { hostId: row.hostId, hostShell: row.hostShell, here, combBy: written };
  return good({ jobId: context.jobs.order('pull', row.id, input) });
}
