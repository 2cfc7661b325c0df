import { z } from 'zod';
import { plural } from '@/core/text/plural';
import { bad, good, type Result } from '@/core/shell/result';
import { inList } from '@/store/in-list';
import { shells } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import { dropShells } from '@/services/do/shells/remove-shell';
import { chosenShells, shellIdsSchema } from './chosen-shells';

export const layBySchema = z.strictObject({ shells: shellIdsSchema, laidBy: z.boolean() });

/** Takes shells out of the list, or back into it; nothing else about them changes. */
export function layBy(
  { db }: Context,
  { shells: ids, laidBy }: z.output<typeof layBySchema>,
): { readonly shells: number } {
  const laidByAt = laidBy ? new Date().toISOString() : null;
  const { changes } = db.update(shells).set({ laidByAt }).where(inList(shells.id, ids)).run();
  return { shells: changes };
}

/** Removing several is armed by typing how many they are. */
export const removeSchema = z.strictObject({ shells: shellIdsSchema, typed: z.string().trim().max(20) });

/** Removes shells with everything that only they use; refused as a whole where one of them can’t go. */
export function removeTogether(
  context: Context,
  { shells: ids, typed }: z.output<typeof removeSchema>,
): Result<{ readonly removed: number }> {
  const chosen = chosenShells(context, ids);
  if (!chosen.ok) return chosen;
  const count = chosen.value.length;
  if (typed !== String(count))
    return bad('not-armed', `Type ${count} to remove ${plural(count, 'shell')}; nothing was changed.`);
  const busy = chosen.value.find(({ row }) => context.jobs.underWay(row.id));
  if (busy)
    return bad(
      'job-under-way',
      `Something is still being done with ${busy.row.code || busy.row.title}; wait for its end, or cancel it first. Nothing was removed.`,
    );
  dropShells(context, chosen.value);
  return good({ removed: count });
}
