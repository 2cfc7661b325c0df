import { and, desc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { runs, versions } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { inventoryOf, type CurrentShell } from '@/services/keep/shells/current-shell';
import { runNumbers } from '@/services/keep/runs/run-numbers';

/** A state of the shell that it can go back to. */
export interface RestorePoint {
  readonly id: string;
  readonly label: string;
  readonly at: string;
  readonly items: number;
  readonly files: number;
  readonly isCurrent: boolean;
  /** Bytes of all that it holds, and how many of them the current state holds as well; null where it was thrown away. */
  readonly bytes: { readonly all: number; readonly shared: number } | null;
  /** The run that began from it and still stands, by its number: going back takes that and all later ones back. */
  readonly run: { readonly id: string; readonly number: number } | null;
}

/** So many, the newest, are weighed and shown. */
const mostPoints = 60;

/** The states of a shell that are kept, newest first. */
export function restorePoints(folder: OpenFolder, shell: CurrentShell): RestorePoint[] {
  const { db, blobs } = folder;
  const rows = db
    .select()
    .from(versions)
    .where(eq(versions.shellId, shell.row.id))
    .orderBy(desc(versions.createdAt))
    .limit(mostPoints)
    .all();
  const sizesFrom = blobs.weigher();
  const current = sizesFrom(shell.version.stateBlob);
  const numbers = runNumbers(folder, shell.row.id);
  const begun = new Map(
    db
      .select()
      .from(runs)
      .where(and(eq(runs.shellId, shell.row.id), eq(runs.state, 'done')))
      .all()
      .filter(({ kind }) => kind !== 'undo')
      .map((run) => [run.beforeVersion, run]),
  );
  return rows.map((version): RestorePoint => {
    const { counts } = inventoryOf(version);
    const run = begun.get(version.id);
    return {
      id: version.id,
      label: version.label,
      at: version.createdAt,
      items: counts.items,
      files: counts.files,
      isCurrent: version.id === shell.version.id,
      bytes: version.stateBlob === '' ? null : weigh(sizesFrom(version.stateBlob), current),
      run: run ? { id: run.id, number: numbers.get(run.id) ?? 0 } : null,
    };
  });
}

function weigh(sizes: ReadonlyMap<string, number>, current: ReadonlyMap<string, number>) {
  let [all, shared] = [0, 0];
  for (const [hash, bytes] of sizes) {
    all += bytes;
    if (current.has(hash)) shared += bytes;
  }
  return { all, shared };
}

export const restoreEditSchema = z.discriminatedUnion('edit', [
  z.strictObject({ edit: z.literal('name'), id: z.string(), label: z.string().trim().min(1).max(200) }),
  z.strictObject({ edit: z.literal('throw-away'), id: z.string() }),
]);

/** Names a restore point, or throws it away: what only it holds goes, and nobody can go back to it any more. */
export function editRestorePoint(
  context: Context,
  shell: CurrentShell,
  edit: z.output<typeof restoreEditSchema>,
): Result<{ readonly id: string }> {
  const { db, jobs } = context;
  const version = db
    .select()
    .from(versions)
    .where(and(eq(versions.id, edit.id), eq(versions.shellId, shell.row.id)))
    .get();
  if (!version)
    return bad('no-restore-point', 'This restore point is not here any more; open the list again.');
  if (edit.edit === 'name') {
    db.update(versions).set({ label: edit.label }).where(eq(versions.id, version.id)).run();
    return good({ id: version.id });
  }
  if (version.id === shell.version.id)
    return bad('is-current', 'This is the shell as it stands; it can’t be thrown away.');
  if (jobs.underWay(shell.row.id))
    return bad('job-under-way', 'Something is still being done with this shell; wait for its end first.');
  db.update(versions).set({ stateBlob: '' }).where(eq(versions.id, version.id)).run();
  jobs.order('sweep', null, {});
  return good({ id: version.id });
}

/** The state of a restore point, to be taken along as a package. */
export function stateOfPoint({ db }: Context, shell: CurrentShell, id: string): string | null {
  const version = db
    .select({ stateBlob: versions.stateBlob })
    .from(versions)
    .where(and(eq(versions.id, id), eq(versions.shellId, shell.row.id)))
    .get();
  return version && version.stateBlob !== '' ? version.stateBlob : null;
}
