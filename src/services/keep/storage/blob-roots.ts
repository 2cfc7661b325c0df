import type Database from 'better-sqlite3';
import { hasColumn } from './has-column';

/** Columns that name blobs: states of versions and of waiting packages, long intake reports, previews, edits of runs. */
const namingColumns = [
  { table: 'versions', column: 'state_blob' },
  { table: 'versions', column: 'notes_blob' },
  { table: 'incomings', column: 'state_blob' },
  { table: 'incomings', column: 'notes_blob' },
  { table: 'incomings', column: 'preview_blob' },
  { table: 'runs', column: 'edits_blob' },
] as const;

interface BlobRoot {
  readonly shellId: string;
  readonly hash: string;
}

/** Every blob that a row names, with the shell of the row. */
export function rootsByShell(db: Database.Database): readonly BlobRoot[] {
  const asked = namingColumns
    .filter(({ table, column }) => hasColumn(db, table, column))
    .map(({ table, column }) => `SELECT shell_id AS shellId, ${column} AS hash FROM ${table}`);
  return db
    .prepare(`SELECT shellId, hash FROM (${asked.join(' UNION ')}) WHERE hash <> ''`)
    .all() as BlobRoot[];
}

/** The hash of every blob that a row names. */
export const blobRootsOf = (db: Database.Database): readonly string[] => [
  ...new Set(rootsByShell(db).map(({ hash }) => hash)),
];
