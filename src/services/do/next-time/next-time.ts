import { and, eq, inArray, ne } from 'drizzle-orm';
import { z } from 'zod';
import { keyOf, leaveBehind, type DoneStep, type LeftBehind } from '@/core/next-time/leave-behind';
import type { Step } from '@/core/plan/step';
import { nextTimes, operations } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { courseOf } from '@/services/keep/rows/course';
import { runsOf, type CurrentShell } from '@/services/keep/shells/current-shell';

export interface NextTimeLine extends LeftBehind {
  readonly key: string;
  readonly isKept: boolean;
}
/** What the next copy of this course may leave behind. */
export interface NextTimeView {
  readonly id: string;
  readonly code: string;
  readonly lines: readonly NextTimeLine[];
  /** Whether anything was kept for this course. */
  readonly isKept: boolean;
  /** What another shell of the course left to this one: to be looked for in it. */
  readonly fromBefore: readonly Pick<LeftBehind, 'area' | 'title' | 'did'>[];
}

export function nextTimeView(folder: OpenFolder, shell: CurrentShell): NextTimeView {
  const kept = keptOf(folder, shell);
  const keys = new Set(kept.map((row) => keyOf(row)));
  return {
    id: shell.row.id,
    code: shell.row.code || shell.row.title,
    lines: leaveBehind(doneSteps(folder, shell)).map((line) => {
      const key = keyOf(line);
      return { ...line, key, isKept: keys.has(key) };
    }),
    isKept: kept.length > 0,
    fromBefore: kept.filter(({ shellId }) => shellId !== shell.row.id),
  };
}

type Kept = Pick<LeftBehind, 'area' | 'title' | 'did'> & { readonly shellId: string };
const keptOf = ({ db }: OpenFolder, { row }: CurrentShell): Kept[] =>
  db
    .select()
    .from(nextTimes)
    .where(eq(nextTimes.course, courseOf(row)))
    .orderBy(nextTimes.area, nextTimes.title)
    .all() as Kept[];

/** How many things an earlier shell of this course left word of. */
export const countFromBefore = ({ db }: OpenFolder, { row }: CurrentShell): number =>
  db.$client
    .prepare<[string, string], number>('SELECT count(*) FROM next_times WHERE course = ? AND shell_id <> ?')
    .pluck()
    .get(courseOf(row), row.id) ?? 0;

/** Every step that was done in this shell and was not taken back, oldest first. */
function doneSteps(folder: OpenFolder, { row }: CurrentShell): DoneStep[] {
  const runs = runsOf(folder, row.id)
    .filter(({ state, kind }) => state === 'done' && kind === 'plan')
    .reverse()
    .map(({ id }) => id);
  const rows = folder.db
    .select({ runId: operations.runId, step: operations.step, titles: operations.titles })
    .from(operations)
    .where(and(inArray(operations.runId, runs), eq(operations.state, 'done')))
    .orderBy(operations.sequence)
    .all();
  const ordered = [...rows].sort((a, b) => runs.indexOf(a.runId) - runs.indexOf(b.runId));
  return ordered.flatMap(({ step, titles }): DoneStep[] =>
    step === null ? [] : [{ step: JSON.parse(step) as Step, titles: JSON.parse(titles) as string[] }],
  );
}

export const keepNextTimeSchema = z.strictObject({ keys: z.array(z.string()).max(100_000) });

/** Keeps the ticked lines with the course, in the place of what this shell had kept; other shells’ lines stay. */
export function keepNextTime(
  folder: OpenFolder,
  shell: CurrentShell,
  { keys }: z.output<typeof keepNextTimeSchema>,
): { readonly kept: number } {
  const wanted = new Set(keys);
  const lines = leaveBehind(doneSteps(folder, shell)).filter((line) => wanted.has(keyOf(line)));
  const course = courseOf(shell.row);
  const [shellId, keptAt] = [shell.row.id, new Date().toISOString()];
  folder.db.transaction((tx) => {
    tx.delete(nextTimes)
      .where(and(eq(nextTimes.course, course), eq(nextTimes.shellId, shellId)))
      .run();
    for (const { area, title, did } of lines)
      tx.insert(nextTimes)
        .values({ course, area, title, did, shellId, keptAt })
        .onConflictDoUpdate({
          target: [nextTimes.course, nextTimes.area, nextTimes.title],
          set: { did, shellId, keptAt },
        })
        .run();
  });
  return { kept: lines.length };
}

/** Lets go of what earlier shells of this course left word of. */
export function forgetNextTime({ db }: OpenFolder, { row }: CurrentShell): void {
  db.delete(nextTimes)
    .where(and(eq(nextTimes.course, courseOf(row)), ne(nextTimes.shellId, row.id)))
    .run();
}
