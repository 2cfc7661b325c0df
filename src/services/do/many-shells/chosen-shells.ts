import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { findShell, type CurrentShell } from '@/services/keep/shells/current-shell';

/** So many shells are worked on together at most. */
export const mostTogether = 1_000;
/** So many are summed up in one table at most. */
export const mostSummed = 5_000;
export const shellIdsSchema = z.array(z.string()).min(1).max(mostTogether);
export const chosenSchema = z.strictObject({ shells: shellIdsSchema });

/** The shells that somebody chose from the list, each once; refused where one is not there any more. */
export function chosenShells(folder: OpenFolder, ids: readonly string[]): Result<readonly CurrentShell[]> {
  const chosen: CurrentShell[] = [];
  for (const id of new Set(ids)) {
    const shell = findShell(folder, id);
    if (!shell) return bad('shell-gone', 'One of these shells is not in the list any more; choose again.');
    chosen.push(shell);
  }
  return good(chosen);
}
