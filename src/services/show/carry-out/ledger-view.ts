import { desc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { actionOf } from '@/core/plan/step';
import type { ActionName } from '@/core/plan/actions/registry';
import { actionNames } from '@/core/plan/actions/registry';
import { operations, runNotes, runs } from '@/store/schema';
import type { LedgerEntry } from '@/formats/report/ledger-files';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { linesOfRow, type LedgerLine } from '@/services/keep/runs/ledger';
import { runNumbers } from '@/services/keep/runs/run-numbers';

export const ledgerQuery = z.object({
  /** Words that a title, a ref or a reason has. */
  find: z.string().max(200).default(''),
  action: z.string().max(60).default(''),
  outcome: z.string().max(60).default(''),
  run: z.coerce.number().int().min(0).default(0),
  /** The history of one thing. */
  ref: z.string().max(1000).default(''),
});
export type { LedgerEntry };
export type LedgerQuery = z.output<typeof ledgerQuery>;

/** So many entries are drawn; the files hold all of them. */
const mostShown = 500;

/** The entries that fit what is asked, and what could be asked for. */
export interface LedgerView {
  readonly query: LedgerQuery;
  readonly entries: readonly LedgerEntry[];
  /** How many fit, of which the first ones are drawn, and how many there are. */
  readonly total: number;
  readonly all: number;
  readonly actions: readonly string[];
  readonly outcomes: readonly string[];
}

/** What the ledger’s page shows for a query; one that can’t be read asks for everything. */
export function ledgerView(folder: OpenFolder, { row }: CurrentShell, search: URLSearchParams): LedgerView {
  const query = ledgerQuery.catch(ledgerQuery.parse({})).parse(Object.fromEntries(search));
  const all = wholeLedger(folder, row.id);
  const entries = fitting(all, query);
  return {
    query,
    entries: entries.slice(0, mostShown),
    total: entries.length,
    all: all.length,
    actions: [...new Set(all.map(({ action }) => action))].sort(),
    outcomes: [...new Set(all.map(({ outcome }) => outcome))].sort(),
  };
}

/** Everything that was done to a shell over all its runs, newest first. */
export function wholeLedger(folder: OpenFolder, shellId: string): LedgerEntry[] {
  const numbers = runNumbers(folder, shellId);
  const entries = [...operationEntries(folder, shellId, numbers), ...noteEntries(folder, shellId, numbers)];
  return entries.sort((a, b) => b.run - a.run || compare(b.at, a.at));
}

/** The entries of a ledger that fit what is asked, in their order. */
export function fitting(entries: readonly LedgerEntry[], query: LedgerQuery): LedgerEntry[] {
  const wanted = query.find.trim().toLowerCase();
  return entries
    .filter((entry) => query.action === '' || entry.action === query.action)
    .filter((entry) => query.outcome === '' || entry.outcome === query.outcome)
    .filter((entry) => query.run === 0 || entry.run === query.run)
    .filter((entry) => query.ref === '' || entry.refs.includes(query.ref))
    .filter((entry) => wanted === '' || textOf(entry).includes(wanted));
}

const compare = (a: string, b: string): number => Number(a > b) - Number(a < b);

const textOf = ({ titles, refs, reason, label }: LedgerEntry): string =>
  [label, reason, ...titles, ...refs].join(' ').toLowerCase();

function* operationEntries(
  { db }: OpenFolder,
  shellId: string,
  numbers: ReadonlyMap<string, number>,
): Generator<LedgerEntry> {
  const rows = db
    .select({ operation: operations, kind: runs.kind })
    .from(operations)
    .innerJoin(runs, eq(runs.id, operations.runId))
    .where(eq(runs.shellId, shellId))
    .orderBy(desc(runs.startedAt), operations.sequence)
    .all();
  for (const { operation, kind } of rows) {
    const run = numbers.get(operation.runId);
    if (run === undefined) continue;
    const [done, back] = linesOfRow(operation);
    const label = labelOf(operation.action);
    const takenBack = `Taken back: ${label}`;
    yield entryOf(run, done, kind === 'undo' ? takenBack : label, done.outcome);
    if (back) yield entryOf(run, back, takenBack, 'undone');
  }
}

const entryOf = (
  run: number,
  { at, action, refs, titles, reason }: LedgerLine,
  label: string,
  outcome: string,
): LedgerEntry => ({
  run,
  at,
  what: 'operation',
  action,
  label,
  refs: [...refs],
  titles: [...titles],
  outcome,
  reason: reason ?? '',
});

function* noteEntries(
  { db }: OpenFolder,
  shellId: string,
  numbers: ReadonlyMap<string, number>,
): Generator<LedgerEntry> {
  const rows = db
    .select({ note: runNotes })
    .from(runNotes)
    .innerJoin(runs, eq(runs.id, runNotes.runId))
    .where(eq(runs.shellId, shellId))
    .all();
  for (const { note } of rows) {
    const run = numbers.get(note.runId);
    if (run === undefined) continue;
    yield {
      run,
      at: note.at,
      what: 'met',
      action: note.kind,
      label: 'Met on the way',
      refs: [],
      titles: [],
      outcome: 'overcome',
      reason: note.message,
    };
  }
}

const labelOf = (action: string): string =>
  actionNames.includes(action as ActionName) ? actionOf(action as ActionName).label : 'Add';
