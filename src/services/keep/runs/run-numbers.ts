import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { runsOf } from '@/services/keep/shells/current-shell';

/** The runs of a shell numbered from the first, 1: what people call them by. */
export function runNumbers(folder: OpenFolder, shellId: string): ReadonlyMap<string, number> {
  const oldestFirst = [...runsOf(folder, shellId)].reverse();
  return new Map(oldestFirst.map((run, n) => [run.id, n + 1]));
}
