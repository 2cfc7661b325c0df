import { z } from 'zod';
import { writeCsv } from '../archive/write-csv';

const ledgerEntry = z.strictObject({
  /** The run’s number, 1 for the first. */
  run: z.int(),
  /** When, in UTC (RFC 3339). */
  at: z.string(),
  /** An operation, or something that was met on the way. */
  what: z.enum(['operation', 'met']),
  action: z.string(),
  label: z.string(),
  refs: z.array(z.string()),
  titles: z.array(z.string()),
  outcome: z.string(),
  reason: z.string(),
});
export type LedgerEntry = Readonly<z.output<typeof ledgerEntry>>;

/** The ledger as JSON. */
export const ledgerSchema = z.strictObject({
  schema: z.literal('currycomb.ledger/1'),
  shell: z.string(),
  entries: z.array(ledgerEntry),
});

export const ledgerJson = (shell: string, entries: readonly LedgerEntry[]): string =>
  `${JSON.stringify({ schema: 'currycomb.ledger/1', shell, entries }, null, 2)}\n`;

export const ledgerColumns = ['run', 'at', 'what', 'action', 'outcome', 'titles', 'refs', 'reason'] as const;

/** The ledger as a table (CSV, RFC 4180): one row an operation. */
export const ledgerCsv = (entries: readonly LedgerEntry[]): string =>
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
