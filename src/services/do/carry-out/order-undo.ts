import { and, eq } from 'drizzle-orm';
import { orderHostUndo, type Wanted } from '@/services/do/carry-out-on-host/order-host-undo';
import { whyNotNow } from '@/services/keep/runs/open-run';
import type { UndoInput } from './undo-job';
import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { operations, versions } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import {
  runsOf,
  type CurrentShell,
  type RunRow,
  type VersionRow,
} from '@/services/keep/shells/current-shell';
import { blobHash } from '@/services/keep/shells/kept-state';

/** What is taken back: a run; a run and all after it; or one step of a run. */
export const undoSchema = z.strictObject({
  runId: z.uuid(),
  what: z.enum(['run', 'since', 'step']).default('run'),
  sequence: z.int().min(0).optional(),
});
export type Undo = z.output<typeof undoSchema>;

/** Takes back what a run did. It is refused with the reason where something later stands on it. */
export function orderUndo(
  context: Context,
  shell: CurrentShell,
  run: RunRow,
  undo: Pick<Undo, 'what' | 'sequence'> = { what: 'run' },
): Result<{ jobId: string }> {
  if (run.state === 'undone') return bad('undone-already', 'This run was taken back already.');
  if (run.state !== 'done')
    return bad('not-done', 'This run did not change anything, so there is nothing to take back.');
  const refused = whyNotNow(context, shell.row.id);
  if (refused) return refused;
  if (run.place === 'host') {
    const wanted = wantedOf(context, shell, run, undo);
    // What was deleted there is made anew from the files that the restore points hold.
    const isWhole = wanted.runs.every((one) => restorePointOf(context, one) !== null);
    return isWhole ? orderHostUndo(context, shell, wanted) : thrownAway();
  }
  const before = restorePointOf(context, run);
  if (!before) return thrownAway();
  const isLast = run.afterVersion === shell.version.id;
  const common = {
    versionId: shell.version.id,
    stateBlob: blobHash.parse(shell.version.stateBlob),
  };
  const order = (what: UndoInput['what']) =>
    good({ jobId: context.jobs.order('undo', shell.row.id, { ...common, what }) });
  if (undo.what === 'since' || (undo.what === 'run' && isLast)) {
    const runs = runsOf(context, shell.row.id).filter(
      (r) => r.state === 'done' && r.startedAt >= run.startedAt,
    );
    return order({
      back: 'to',
      versionId: before.id,
      stateBlob: blobHash.parse(before.stateBlob),
      fingerprint: before.fingerprint,
      runs: runs.map((r) => r.id),
    });
  }
  const done = context.db
    .select({ sequence: operations.sequence })
    .from(operations)
    .where(and(eq(operations.runId, run.id), eq(operations.state, 'done')))
    .all()
    .map((row) => row.sequence);
  const steps = undo.what === 'step' ? done.filter((sequence) => sequence === undo.sequence) : done;
  if (!steps.length || run.editsBlob === null)
    return bad('undone-already', 'This step was taken back already, or did nothing.');
  return order({
    back: 'steps',
    runId: run.id,
    editsBlob: blobHash.parse(run.editsBlob),
    beforeBlob: blobHash.parse(before.stateBlob),
    steps,
    isWhole: undo.what === 'run',
  });
}

/** The version that a run began from; null where it was thrown away. */
function restorePointOf({ db }: Context, run: RunRow): VersionRow | null {
  const version = db.select().from(versions).where(eq(versions.id, run.beforeVersion)).get();
  return version && version.stateBlob !== '' ? version : null;
}

const thrownAway = () =>
  bad('no-restore-point', 'The restore point of this run was thrown away, so it can’t be taken back.');

/** On a host: a run, one step of it, or it and all that came after it and still stands. */
function wantedOf(
  context: Context,
  shell: CurrentShell,
  run: RunRow,
  { what, sequence }: Pick<Undo, 'what' | 'sequence'>,
): Wanted {
  if (what === 'step') return { runs: [run], sequence: sequence ?? -1 };
  if (what === 'run') return { runs: [run], sequence: null };
  const later = runsOf(context, shell.row.id).filter(
    (one) => one.state === 'done' && one.kind !== 'undo' && one.startedAt >= run.startedAt,
  );
  return { runs: later, sequence: null };
}
