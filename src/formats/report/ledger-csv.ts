import { writeCsv } from '../archive/write-csv';

/** A line of the ledger as its files give it. */
export interface WrittenLedgerEntry {
  readonly run: number;
  readonly at: string;
  readonly what: string;
  readonly action: string;
  readonly refs: readonly string[];
  readonly titles: readonly string[];
  readonly outcome: string;
  readonly reason: string;
}

export const ledgerColumns = ['run', 'at', 'what', 'action', 'outcome', 'titles', 'refs', 'reason'] as const;

/** The ledger as a table (CSV, RFC 4180): one row an operation. */
export const ledgerCsv = (entries: readonly WrittenLedgerEntry[]): string =>
  writeCsv([
    [...ledgerColumns],
    ...entries.map(({ run, at, what, action, outcome, titles, refs, reason }) => [
      String(run),
      at,
      what,
      action,
      outcome,
      titles.join('; '),
      refs.join(' '),
      reason,
    ]),
  ]);
