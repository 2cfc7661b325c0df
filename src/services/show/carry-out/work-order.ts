import { and, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import { stepSchema, type Step } from '@/core/plan/step';
import { workOrderOf, type WorkOrderLine, type WorkOrderPlace } from '@/core/plan/work-order';
import { bad, good, type Result } from '@/core/shell/result';
import { operations, runs } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { planOf } from '@/services/keep/plan/plan';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { bareShellOf } from '@/services/keep/shells/subject-detail';

export interface TickedLine extends WorkOrderLine {
  readonly runId: string;
  readonly sequence: number;
  /** When it was ticked; null while it is to be done. */
  readonly tickedAt: string | null;
}
export interface WorkOrderView {
  /** What runs left to be done by hand, place by place. */
  readonly left: readonly { readonly place: readonly string[]; readonly lines: readonly TickedLine[] }[];
  readonly open: number;
  readonly ticked: number;
  /** The plan as it stands, for whoever does all of it by hand. */
  readonly plan: readonly WorkOrderPlace[];
}

/** What is to be done by hand: what the host lets nobody do, and, if somebody wants it so, the whole plan. */
export function workOrderView(folder: OpenFolder, shell: CurrentShell): WorkOrderView {
  const bare = bareShellOf(folder, shell);
  const rows = leftRows(folder, shell.row.id);
  const steps = rows.map((row) => stepSchema.parse(JSON.parse(row.step ?? 'null')));
  const left = workOrderOf(bare, steps).map(({ place, lines }) => ({
    place,
    lines: lines.flatMap((line): TickedLine[] => {
      const row = rows[line.step];
      if (!row) return [];
      const { runId, sequence, state, at } = row;
      return [{ ...line, runId, sequence, tickedAt: state === 'ticked' ? at : null }];
    }),
  }));
  const planned: Step[] = planOf(folder.db, shell.row.id).map((row) => row.step);
  return {
    left,
    open: rows.filter(({ state }) => state === 'by-hand').length,
    ticked: rows.filter(({ state }) => state === 'ticked').length,
    plan: workOrderOf(bare, planned),
  };
}

/** How many lines of the work order are to be done, and how many are ticked. */
export function workOrderCounts(folder: OpenFolder, shellId: string): { open: number; ticked: number } {
  const states = leftRows(folder, shellId).map(({ state }) => state);
  return {
    open: states.filter((state) => state === 'by-hand').length,
    ticked: states.filter((state) => state === 'ticked').length,
  };
}

const leftRows = ({ db }: OpenFolder, shellId: string) =>
  db
    .select({
      runId: operations.runId,
      sequence: operations.sequence,
      step: operations.step,
      state: operations.state,
      at: operations.at,
    })
    .from(operations)
    .innerJoin(runs, eq(runs.id, operations.runId))
    .where(and(eq(runs.shellId, shellId), inArray(operations.state, ['by-hand', 'ticked'])))
    .orderBy(runs.startedAt, operations.sequence)
    .all();

export const tickSchema = z.strictObject({
  runId: z.uuid(),
  sequence: z.int().min(0),
  ticked: z.boolean(),
});

/** Ticks what was done by hand, or takes the tick away; the ledger says when. */
export function tick(
  folder: OpenFolder,
  shellId: string,
  { runId, sequence, ticked }: z.output<typeof tickSchema>,
): Result<{ ticked: boolean }> {
  const run = folder.db
    .select({ id: runs.id })
    .from(runs)
    .where(and(eq(runs.id, runId), eq(runs.shellId, shellId)))
    .get();
  const changed = run
    ? folder.db
        .update(operations)
        .set({ state: ticked ? 'ticked' : 'by-hand', at: new Date().toISOString() })
        .where(
          and(
            eq(operations.runId, runId),
            eq(operations.sequence, sequence),
            inArray(operations.state, ['by-hand', 'ticked']),
          ),
        )
        .run().changes
    : 0;
  return changed > 0
    ? good({ ticked })
    : bad('no-line', 'This line is not in the work order any more; open it again.');
}
