import { and, desc, eq, getTableColumns } from 'drizzle-orm';
import type { CheckRow } from '@/core/checks/run/run-checks';
import type { Smoothness } from '@/core/checks/finding/smoothness';
import type { Inventory, ShellCounts } from '@/core/inventory/inventory';
import type { Sha256 } from '@/core/refs/refs';
import { lost } from '@/core/shell/unreadable-store';
import type { Sketch } from '@/core/shell/sketch';
import { audits, runs, shells, versions } from '@/store/schema';
import { readChecks, type Tally } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { KeptIntake } from './kept-intake';
import { parseKept } from '@/services/keep/rows/parse-kept';

export type ShellRow = typeof shells.$inferSelect;
/** A version without what may be large, which is asked for where it is shown. */
export type VersionRow = Omit<typeof versions.$inferSelect, 'sketch' | 'intake' | 'notesBlob'>;
export type RunRow = typeof runs.$inferSelect;

/** A combing without its findings, which are asked for where they are shown. */
export interface AuditHead {
  readonly id: string;
  readonly counts: ShellCounts;
  readonly checks: readonly CheckRow[];
  readonly tally: Tally;
  readonly milliseconds: number;
  readonly combedAt: string;
  /** The house rules that it was made by. */
  readonly rulesKey: string;
}

/** A shell as it stands now: the row, its version, the combing of that version, how large the plan is. */
export interface CurrentShell {
  readonly row: ShellRow;
  readonly version: VersionRow;
  readonly audit: AuditHead | null;
  readonly plan: { readonly size: number; readonly key: string };
  readonly smoothness: Smoothness | null;
}

export function findShell(folder: OpenFolder, id: string): CurrentShell | null {
  const { db } = folder;
  const row = db.select().from(shells).where(eq(shells.id, id)).get();
  if (!row) return null;
  const version = findVersion(db, row.versionId);
  if (!version) throw lost('The state of this shell');
  const audit = latestAudit(folder, row.versionId);
  return {
    row,
    version,
    audit,
    plan: { size: row.planSize, key: row.planKey },
    smoothness: audit?.tally.smoothness ?? null,
  };
}

const { sketch, intake, notesBlob, ...headColumns } = getTableColumns(versions);

export const findVersion = (db: OpenFolder['db'], id: string): VersionRow | undefined =>
  db.select(headColumns).from(versions).where(eq(versions.id, id)).get();

function latestAudit(folder: OpenFolder, versionId: string): AuditHead | null {
  const id = latestAuditId(folder, versionId);
  const row = id === null ? undefined : folder.db.select().from(audits).where(eq(audits.id, id)).get();
  return row ? readHead(row) : null;
}

/** The id of a version’s latest audit; null where it was not combed. */
export const latestAuditId = ({ db }: OpenFolder, versionId: string): string | null =>
  db
    .select({ id: audits.id })
    .from(audits)
    .where(and(eq(audits.versionId, versionId), eq(audits.isDraft, false)))
    .orderBy(desc(audits.combedAt))
    .limit(1)
    .get()?.id ?? null;

function readHead(row: typeof audits.$inferSelect): AuditHead {
  return {
    id: row.id,
    counts: parseKept<ShellCounts>(row.counts, 'What was combed of this shell'),
    checks: readChecks(row.checks),
    tally: parseKept<Tally>(row.tally, 'What was combed of this shell'),
    milliseconds: row.milliseconds,
    combedAt: row.combedAt,
    rulesKey: row.rulesKey,
  };
}

export function findAudit({ db }: OpenFolder, id: string): AuditHead | null {
  const row = db.select().from(audits).where(eq(audits.id, id)).get();
  return row ? readHead(row) : null;
}

/** What inventories that an earlier Currycomb took say nothing of. */
type AddedLater = 'months' | 'unused';
export const inventoryOf = (version: Pick<VersionRow, 'inventory'>): Inventory => ({
  months: [],
  unused: null,
  ...parseKept<Omit<Inventory, AddedLater>>(version.inventory, 'The inventory of this shell'),
});
export function sketchOfVersion({ db }: OpenFolder, version: VersionRow): Sketch {
  const row = db.select({ sketch }).from(versions).where(eq(versions.id, version.id)).get();
  return parseKept<Sketch>(row?.sketch ?? '', 'The sketch of this shell');
}
export function intakeOf({ db }: OpenFolder, version: VersionRow): KeptIntake {
  const row = db.select({ intake, notesBlob }).from(versions).where(eq(versions.id, version.id)).get();
  return { intake: row?.intake ?? '', notesBlob: (row?.notesBlob ?? null) as Sha256 | null };
}

/** The runs of a shell that came to something, newest first. */
export const runsOf = ({ db }: OpenFolder, shellId: string): RunRow[] =>
  db
    .select()
    .from(runs)
    .where(eq(runs.shellId, shellId))
    .orderBy(desc(runs.startedAt))
    .all()
    .filter((run) => run.state === 'done' || run.state === 'undone');

export const findRun = ({ db }: OpenFolder, shellId: string, runId: string): RunRow | null =>
  db
    .select()
    .from(runs)
    .where(and(eq(runs.shellId, shellId), eq(runs.id, runId)))
    .get() ?? null;
