import { isPassing } from './leftovers';

/** The jobs that read, write or delete files by their paths. A test asks every job that clears files away. */
export const fileJobs: ReadonlySet<string> = new Set([
  'backup',
  'bring-in',
  'export',
  'hold-against',
  'workbook',
]);
/** The names under which their inputs hold paths. */
const pathNames: ReadonlySet<string> = new Set(['path', 'file', 'report', 'dispose']);

/**
 * Does a job name a file that this server neither received nor named? Its row may come from a folder of somebody else’s,
 * and whatever path it holds would be read, written or deleted. `input` as JSON; what can't be read names none.
 */
export function namesStrangeFile(kind: string, input: string, dataDir: string): boolean {
  if (!fileJobs.has(kind)) return false;
  try {
    return pathsIn(JSON.parse(input), false).some((path) => !isPassing(dataDir, path));
  } catch {
    return false;
  }
}

function pathsIn(value: unknown, isPath: boolean): readonly string[] {
  if (typeof value === 'string') return isPath ? [value] : [];
  if (Array.isArray(value)) return value.flatMap((one) => pathsIn(one, isPath));
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([name, one]) => pathsIn(one, pathNames.has(name)));
}
