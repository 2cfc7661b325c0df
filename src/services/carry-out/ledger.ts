import { eq } from 'drizzle-orm';
import { operations } from '@/store/schema';
import type { Context } from '../context';

export interface LedgerLine {
  readonly sequence: number;
  readonly direction: 'do' | 'undo';
  readonly action: string;
  readonly titles: readonly string[];
  readonly outcome: string;
  readonly reason: string | null;
  readonly at: string;
  /** Can this step be taken back alone? */
  readonly undoable: boolean;
}

/** Every step of a run as it was done, and behind them those that were taken back, newest first. */
export function ledgerOf({ db }: Context, runId: string): LedgerLine[] {
  const rows = db
    .select()
    .from(operations)
    .where(eq(operations.runId, runId))
    .orderBy(operations.sequence)
    .all();
  const lines = rows.map((row): LedgerLine => ({
    sequence: row.sequence,
    direction: 'do',
    action: row.action,
    titles: JSON.parse(row.titles) as string[],
    outcome: row.state === 'undone' ? 'done' : row.state,
    reason: row.reason,
    at: row.at,
    undoable: row.state === 'done' && row.step !== null,
  }));
  const undone = rows
    .filter((row) => row.undoneAt !== null)
    .reverse()
    .map((row): LedgerLine => ({
      sequence: row.sequence,
      direction: 'undo',
      action: row.action,
      titles: JSON.parse(row.titles) as string[],
      outcome: 'done',
      reason: null,
      at: row.undoneAt ?? row.at,
      undoable: false,
    }));
  return [...lines, ...undone];
}
