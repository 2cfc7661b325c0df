import { existsSync, mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import type { Sha256 } from '@/core/refs/refs';
import { BlobStore } from '@/store/blobs';
import { databaseFile } from '@/store/database';
import { blobRootsOf } from '@/services/keep/storage/blob-roots';
import { passingFolders } from '@/services/keep/storage/leftovers';
import type { DiagnosisCode, Examination } from './diagnosis';
import { jsonColumnsOf } from './examine-database';
import { examineBlobs } from './examine-blobs';

/** Where damaged bytes are set aside: they are of no use to Currycomb, and it throws nothing away that it can't judge. */
export const damagedFolder = 'damaged';

/**
 * Repairs what can be repaired without losing anything. Only while nothing else works in the folder. Gives the codes of
 * what was mended.
 */
export function mend(dataDir: string, { diagnoses }: Examination): readonly DiagnosisCode[] {
  const mendable = new Set(diagnoses.flatMap(({ code, mending }) => (mending === null ? [] : [code])));
  const has = (code: DiagnosisCode) => mendable.has(code);
  if (has('database-damaged') || has('row-unreadable')) mendDatabase(dataDir);
  if (has('blob-damaged')) setDamagedAside(dataDir);
  if (has('blob-unused')) sweep(dataDir);
  if (has('file-left')) clearPassing(dataDir);
  if (has('memo-damaged'))
    for (const ending of ['', '-wal', '-shm']) rmSync(join(dataDir, `memo.sqlite${ending}`), { force: true });
  return [...mendable];
}

function withDatabase<T>(dataDir: string, work: (db: Database.Database) => T): T {
  const db = new Database(databaseFile(dataDir), { timeout: 10_000 });
  try {
    db.pragma('foreign_keys = ON');
    return work(db);
  } finally {
    db.close();
  }
}

function withBlobs<T>(dataDir: string, work: (blobs: BlobStore) => T): T {
  const blobs = new BlobStore(join(dataDir, 'blobs'));
  try {
    return work(blobs);
  } finally {
    blobs.close();
  }
}

/** Builds indexes anew, and throws rows away that can't be read and are made again at any time. */
function mendDatabase(dataDir: string): void {
  withDatabase(dataDir, (db) => {
    db.exec('REINDEX');
    for (const { table, column, again } of jsonColumnsOf(db))
      if (again !== null) db.exec(`DELETE FROM ${table} WHERE json_valid(${column}) = 0`);
  });
}

function setDamagedAside(dataDir: string): void {
  const aside = join(dataDir, damagedFolder);
  mkdirSync(aside, { recursive: true });
  withBlobs(dataDir, (blobs) => {
    const { damaged } = withDatabase(dataDir, (db) => examineBlobs(db, blobs));
    for (const hash of damaged) {
      const bytes = blobs.letGo(hash as Sha256);
      if (bytes) writeFileSync(join(aside, hash), bytes);
    }
  });
}

function sweep(dataDir: string): void {
  withBlobs(dataDir, (blobs) => {
    const roots = withDatabase(dataDir, (db) => blobRootsOf(db));
    blobs.sweep(roots);
  });
}

function clearPassing(dataDir: string): void {
  for (const folder of [
    ...passingFolders.map((name) => join(dataDir, name)),
    join(dataDir, 'blobs', 'new'),
  ]) {
    if (!existsSync(folder)) continue;
    for (const name of readdirSync(folder)) rmSync(join(folder, name), { recursive: true, force: true });
  }
}
