import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { plural } from '@/core/text/plural';
import { BlobStore } from '@/store/blobs';
import { databaseFile } from '@/store/database';
import { passingFolders } from '@/services/keep/storage/leftovers';
import { storageFault } from '@/services/keep/storage/storage-fault';
import type { Diagnosis, Examination } from './diagnosis';
import { examineBlobs } from './examine-blobs';
import { examineDatabase } from './examine-database';

/**
 * Looks a data folder over and says what is wrong; nothing is changed. `isInUse`: a server works in it, so what is
 * under way is no trouble.
 */
export function examine(dataDir: string, isInUse: boolean): Examination {
  const nothing = { folder: dataDir, shells: 0, versions: 0, blobs: 0 };
  const only = (diagnosis: Diagnosis): Examination => ({ ...nothing, diagnoses: [diagnosis] });
  if (!existsSync(dataDir))
    return only({
      code: 'folder-missing',
      sentence: `There is no folder ${dataDir}; check the path.`,
      mending: null,
    });
  if (!existsSync(databaseFile(dataDir)))
    return only({
      code: 'database-missing',
      sentence: `The database currycomb.sqlite is missing from ${dataDir}; put it back, or put the folder back from a backup.`,
      mending: null,
    });
  try {
    return examineWith(dataDir, isInUse);
  } catch (error) {
    const sentence = storageFault(error, dataDir)?.message ?? oddDatabase(error, dataDir);
    if (sentence === null) throw error;
    return only({ code: 'database-damaged', sentence, mending: null });
  }
}

/** Errors of native modules may be of another realm, so they are known by what they have. */
const hasMessage = (error: unknown): error is { readonly message: string } =>
  typeof (error as { message?: unknown } | null)?.message === 'string';

/** What is said of a database that is not ours, or is empty; null for an error of another sort. */
const oddDatabase = (error: unknown, dataDir: string): string | null =>
  (error as { code?: unknown }).code === 'SQLITE_ERROR' && hasMessage(error)
    ? `The database in ${dataDir} is not as Currycomb makes it: SQLite says “${error.message}”. Put it back, or put the folder back from a backup.`
    : null;

function examineWith(dataDir: string, isInUse: boolean): Examination {
  const db = new Database(databaseFile(dataDir), { readonly: true, timeout: 10_000 });
  try {
    const count = (table: string) => db.prepare(`SELECT count(*) FROM ${table}`).pluck().get() as number;
    const ofDatabase = examineDatabase(db, dataDir, isInUse);
    const ofBlobs = blobsOf(dataDir, db);
    return {
      folder: dataDir,
      shells: count('shells'),
      versions: count('versions'),
      blobs: ofBlobs.blobs,
      diagnoses: [...ofDatabase, ...ofBlobs.diagnoses, ...leftFiles(dataDir, isInUse), ...memoOf(dataDir)],
    };
  } finally {
    db.close();
  }
}

function blobsOf(dataDir: string, db: Database.Database) {
  if (!existsSync(join(dataDir, 'blobs', 'pack.sqlite'))) {
    const sentence = `The file blobs/pack.sqlite, which holds what was read of packages, is missing from ${dataDir}; put it back, or put the folder back from a backup.`;
    const diagnosis: Diagnosis = { code: 'blobs-damaged', sentence, mending: null };
    return { blobs: 0, damaged: [], diagnoses: [diagnosis] };
  }
  try {
    const blobs = new BlobStore(join(dataDir, 'blobs'));
    try {
      return examineBlobs(db, blobs);
    } finally {
      blobs.close();
    }
  } catch (error) {
    const fault = storageFault(error, join(dataDir, 'blobs'));
    if (!fault) throw error;
    const diagnosis: Diagnosis = { code: 'blobs-damaged', sentence: fault.message, mending: null };
    return { blobs: 0, damaged: [], diagnoses: [diagnosis] };
  }
}

/** Files that pass through; where a server works in the folder it clears them away by itself. */
function leftFiles(dataDir: string, isInUse: boolean): Diagnosis[] {
  if (isInUse) return [];
  const folders = [...passingFolders.map((name) => join(dataDir, name)), join(dataDir, 'blobs', 'new')];
  const left = folders.flatMap((folder) => (existsSync(folder) ? readdirSync(folder) : []));
  if (left.length === 0) return [];
  return [
    {
      code: 'file-left',
      sentence: `${plural(left.length, 'file')} ${left.length === 1 ? 'was' : 'were'} left by uploads or downloads that were cut off.`,
      mending: 'Throw them away.',
    },
  ];
}

function memoOf(dataDir: string): Diagnosis[] {
  const file = join(dataDir, 'memo.sqlite');
  if (!existsSync(file)) return [];
  try {
    const memo = new Database(file, { readonly: true, timeout: 10_000 });
    const found = memo.pragma('quick_check(1)', { simple: true });
    memo.close();
    if (found === 'ok') return [];
  } catch {
    // It is damaged so badly that it can't even be opened.
  }
  return [
    {
      code: 'memo-damaged',
      sentence: 'What was worked out before is damaged; it is only a help and is worked out again.',
      mending: 'Start with an empty one.',
    },
  ];
}
