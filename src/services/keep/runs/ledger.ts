import { eq } from 'drizzle-orm';
import { operations } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';

export interface LedgerLine {
  readonly sequence: number;
  readonly direction: 'do' | 'undo';
  readonly action: string;
  readonly refs: readonly string[];
  readonly titles: readonly string[];
  readonly outcome: string;
  readonly reason: string | null;
  readonly at: string;
  /** Can this step be taken back alone? */
  readonly undoable: boolean;
}

type OperationRow = typeof operations.$inferSelect;

/** A line for what was done, and one for its taking back; null where it was not taken back. */
export function linesOfRow(row: OperationRow): readonly [done: LedgerLine, back: LedgerLine | null] {
  const about = {
    sequence: row.sequence,
    action: row.action,
    refs: JSON.parse(row.targets) as string[],
    titles: JSON.parse(row.titles) as string[],
  };
  const done: LedgerLine = {
    ...about,
    direction: 'do',
    outcome: row.state === 'undone' ? 'done' : row.state,
    reason: row.reason,
    at: row.at,
    undoable: row.state === 'done' && row.step !== null,
  };
  if (row.undoneAt === null) return [done, null];
  const back = {
    direction: 'undo',
    outcome: 'done',
    reason: null,
    at: row.undoneAt,
    undoable: false,
  } as const;
  return [done, { ...about, ...back }];
}

/** Every step of a run as it was done, and behind them those that were taken back, newest first. */
export function ledgerOf({ db }: OpenFolder, runId: string): LedgerLine[] {
  const lines = db
    .select()
    .from(operations)
    .where(eq(operations.runId, runId))
    .orderBy(operations.sequence)
    .all()
    .map(linesOfRow);
  const back = lines.flatMap(([, undone]) => undone ?? []).reverse();
  return [...lines.map(([done]) => done), ...back];
}
