import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { EditOutcome } from '@/connectors/connector';
import { bad, good, type Result } from '@/core/shell/result';
import { operations, runBatches, runs } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import { rulesFor } from '@/services/keep/rules/house-rules';
import type { CurrentShell, RunRow } from '@/services/keep/shells/current-shell';
import { blobHash } from '@/services/keep/shells/kept-state';
import { writeOperations } from '@/services/keep/runs/operation-rows';
import type { RunTask } from './run-task';

type Part = Extract<RunTask['what'], { is: 'undo' }>['parts'][number];
type OperationRow = typeof operations.$inferSelect;

/** What is taken back: runs, the newest first, and of a single one perhaps only one step. */
export interface Wanted {
  readonly runs: readonly RunRow[];
  readonly sequence: number | null;
}

/** Takes back on the host what runs did there: a run of its own, with its own lines in the ledger. */
export function orderHostUndo(
  context: Context,
  shell: CurrentShell,
  wanted: Wanted,
): Result<{ jobId: string }> {
  const { row, version } = shell;
  const runId = randomUUID();
  const parts: Part[] = [];
  const undone: OperationRow[] = [];
  for (const run of wanted.runs) {
    const part = partOf(context, run, wanted.sequence, undone);
    if (part) parts.push(part);
  }
  if (undone.length === 0) return bad('undone-already', 'This was taken back already, or did nothing.');
  const task: RunTask = {
    versionId: version.id,
    stateBlob: blobHash.parse(version.stateBlob),
    rules: rulesFor(context, shell.row).written,
    what: { is: 'undo', parts },
  };
  const jobId = context.jobs.order('host-run', row.id, { runId }, (tx) => {
    const now = new Date().toISOString();
    tx.insert(runs)
      .values({
        id: runId,
        shellId: row.id,
        beforeVersion: version.id,
        kind: 'undo',
        place: 'host',
        state: 'planned',
        task: JSON.stringify(task),
        auditBefore: shell.audit?.id ?? null,
        startedAt: now,
      })
      .run();
    const rows = undone.map(({ action, targets, titles }, sequence) => ({
      runId,
      sequence,
      key: `${runId}:${sequence}`,
      action,
      targets,
      titles,
      step: null,
      state: 'waiting' as const,
      at: now,
    }));
    writeOperations(tx, rows);
  });
  return good({ jobId });
}

/** What of a run is to be taken back; its steps are added to the undoing run’s, the last one first. */
function partOf({ db }: Context, run: RunRow, sequence: number | null, undone: OperationRow[]): Part | null {
  if (run.editsBlob === null) return null;
  const done = db
    .select()
    .from(operations)
    .where(eq(operations.runId, run.id))
    .orderBy(operations.sequence)
    .all()
    .filter(({ state }) => state === 'done' || state === 'failed')
    .filter((one) => sequence === null || one.sequence === sequence)
    .reverse();
  if (done.length === 0) return null;
  const sequences = done.map((one): [number, number] => {
    undone.push(one);
    return [one.sequence, undone.length - 1];
  });
  const batches = db
    .select()
    .from(runBatches)
    .where(eq(runBatches.runId, run.id))
    .orderBy(runBatches.number)
    .all();
  return {
    runId: run.id,
    scriptBlob: blobHash.parse(run.editsBlob),
    steps: sequence === null ? null : [sequence],
    sequences,
    outcomes: batches.map(({ outcomes }) =>
      outcomes === null ? [] : (JSON.parse(outcomes) as EditOutcome[]),
    ),
  };
}
