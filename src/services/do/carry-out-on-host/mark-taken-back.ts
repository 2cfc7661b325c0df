import { and, eq } from 'drizzle-orm';
import type { Transaction } from '@/store/database';
import { inList } from '@/store/in-list';
import { operations, runs } from '@/store/schema';
import type { RunTask } from './run-task';

type Part = Extract<RunTask['what'], { is: 'undo' }>['parts'][number];

/** Marks steps of a run as taken back, as far as the undoing run did them; the run, too, where none is left. */
export function markTakenBack(tx: Transaction, part: Part, undoRunId: string, now: string): void {
  const done = tx
    .select({ sequence: operations.sequence })
    .from(operations)
    .where(and(eq(operations.runId, undoRunId), eq(operations.state, 'done')))
    .all();
  const ended = new Set(done.map(({ sequence }) => sequence));
  const back = part.sequences.filter(([, undoing]) => ended.has(undoing)).map(([step]) => step);
  tx.update(operations)
    .set({ state: 'undone', undoneAt: now })
    .where(and(eq(operations.runId, part.runId), inList(operations.sequence, back)))
    .run();
  const left = tx
    .select({ sequence: operations.sequence })
    .from(operations)
    .where(and(eq(operations.runId, part.runId), eq(operations.state, 'done')))
    .all();
  if (left.length === 0) tx.update(runs).set({ state: 'undone' }).where(eq(runs.id, part.runId)).run();
}
