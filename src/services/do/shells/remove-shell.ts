import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { incomings, jobs, leaveBes, runs, shells } from '@/store/schema';
import type { Transaction } from '@/store/database';
import type { Context } from '@/services/keep/desks/context';
import { courseOf } from '@/services/keep/rows/course';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** What arms a removal: the shell’s code as it is shown, its title where it has none. */
export const removalSchema = z.strictObject({ typed: z.string().trim().max(200) });

/** Removes a shell with its versions, runs, plan and everything that only it uses. It can’t come back. */
export function removeShell(
  context: Context,
  shell: CurrentShell,
  typed: string,
): Result<{ readonly removed: true }> {
  const name = shell.row.code.trim() || shell.row.title.trim();
  if (typed.trim().toLowerCase() !== name.toLowerCase())
    return bad('not-armed', `Type “${name}” to remove this shell; nothing was changed.`);
  const underWay = context.jobs.underWay(shell.row.id);
  if (underWay)
    return bad(
      'job-under-way',
      'Something is still being done with this shell; wait for its end, or cancel it first.',
    );
  dropShells(context, [shell]);
  return good({ removed: true });
}

/** Drops shells with all that is theirs, and orders what only they used to be swept away. */
export function dropShells(context: Context, dropped: readonly CurrentShell[]): void {
  context.db.transaction((tx) => {
    for (const shell of dropped) dropShell(tx, shell);
  });
  context.jobs.order('sweep', null, {});
}

function dropShell(tx: Transaction, shell: CurrentShell): void {
  const { id } = shell.row;
  const course = courseOf(shell.row);
  // Runs name versions, and would hold them.
  tx.delete(runs).where(eq(runs.shellId, id)).run();
  tx.delete(incomings).where(eq(incomings.shellId, id)).run();
  tx.delete(jobs).where(eq(jobs.shellId, id)).run();
  tx.delete(shells).where(eq(shells.id, id)).run();
  const others = tx.select({ id: shells.id, code: shells.code }).from(shells).all();
  // What was left be belongs to the course, for as long as a shell of it is here.
  if (course === id && !others.some((other) => courseOf(other) === course))
    tx.delete(leaveBes).where(eq(leaveBes.course, course)).run();
}
