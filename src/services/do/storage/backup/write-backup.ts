import { createReadStream, existsSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import { bad, good, type Result } from '@/core/shell/result';
import { ZipWriter } from '@/formats/archive/zip-writer';
import { BlobStore } from '@/store/blobs';
import { databaseFile } from '@/store/database';
import { blobRootsOf } from '@/services/keep/storage/blob-roots';
import { hasColumn } from '@/services/keep/storage/has-column';

export const backupSchema = 'currycomb.backup/1';
/** What stands first in a backup and says what it is. */
export const backupNote = 'backup.json';

export interface BackupNote {
  readonly schema: typeof backupSchema;
  readonly at: string;
  readonly shells: number;
  readonly blobs: number;
}

/** So often the blobs are copied anew where what the database names was cleared away in between. */
const mostTries = 3;

/**
 * Writes a data folder as one file, also while a server works in it: both databases through SQLite's online backup
 * (https://www.sqlite.org/backup.html), and the large blobs, which never change. Every blob that the database names is
 * in it. Trouble `backup-exists`, `backup-nothing`, `backup-restless`.
 */
export async function writeBackup(dataDir: string, file: string, now: string): Promise<Result<BackupNote>> {
  if (!existsSync(databaseFile(dataDir)))
    return bad('backup-nothing', `There is no database in ${dataDir}, so there is nothing to back up.`);
  if (existsSync(file))
    return bad('backup-exists', `“${file}” is there already; name a file that is not, so that none is lost.`);
  const scratch = mkdtempSync(join(dirname(file), '.currycomb-backup-'));
  try {
    const copied = await copyWhole(dataDir, scratch);
    if (!copied) return restless;
    const note: BackupNote = { schema: backupSchema, at: now, ...copied.counts };
    await pack(dataDir, scratch, copied.files, note, file);
    return good(note);
  } catch (error) {
    rmSync(file, { force: true });
    throw error;
  } finally {
    rmSync(scratch, { recursive: true, force: true });
  }
}

const restless = bad(
  'backup-restless',
  'The folder changed too often while it was copied; try again when fewer jobs are under way.',
);

interface Copied {
  readonly files: readonly string[];
  readonly counts: { readonly shells: number; readonly blobs: number };
}

/** Copies both databases so that the blobs hold all that the other names; null where that did not come about. */
async function copyWhole(dataDir: string, scratch: string): Promise<Copied | null> {
  for (let tries = 0; tries < mostTries; tries += 1) {
    await copyDatabase(databaseFile(dataDir), databaseFile(scratch));
    await copyDatabase(join(dataDir, 'blobs', 'pack.sqlite'), join(scratch, 'pack.sqlite'));
    withoutSecrets(databaseFile(scratch));
    const copied = countWhole(dataDir, scratch);
    if (copied) return copied;
  }
  return null;
}

async function copyDatabase(from: string, to: string): Promise<void> {
  rmSync(to, { force: true });
  const db = new Database(from, { readonly: true, timeout: 60_000 });
  try {
    await db.backup(to);
  } finally {
    db.close();
  }
}

/** A backup is handed on: the secrets of campus hosts stay in the folder. */
function withoutSecrets(file: string): void {
  const db = new Database(file);
  try {
    if (!hasColumn(db, 'hosts', 'secret')) return;
    db.prepare("UPDATE hosts SET secret = ''").run();
    // SQLite leaves old bytes where they are until the file is written anew.
    db.exec('VACUUM');
    db.pragma('journal_mode = DELETE');
  } finally {
    db.close();
  }
}

function countWhole(dataDir: string, scratch: string): Copied | null {
  const files = largeBlobs(dataDir);
  const there = new Set(files.map((path) => path.slice(path.lastIndexOf('/') + 1)));
  const db = new Database(databaseFile(scratch), { readonly: true });
  // A blob store of its own over the copy: the same code says what belongs together.
  const blobs = new BlobStore(scratch);
  try {
    const kept = new Set([...blobs.list(), ...there]);
    const needed = blobs.neededBy(blobRootsOf(db));
    if ([...needed].some((hash) => !kept.has(hash) && isThere(dataDir, hash))) return null;
    const shells = db.prepare('SELECT count(*) FROM shells').pluck().get() as number;
    return { files, counts: { shells, blobs: kept.size } };
  } finally {
    blobs.close();
    db.close();
  }
}

/** Whether a blob that the copy lacks is in the folder: what the folder itself lacks can't be copied. */
function isThere(dataDir: string, hash: string): boolean {
  if (existsSync(join(dataDir, 'blobs', hash.slice(0, 2), hash))) return true;
  const pack = new Database(join(dataDir, 'blobs', 'pack.sqlite'), { readonly: true, timeout: 60_000 });
  try {
    return pack.prepare('SELECT 1 FROM blobs WHERE hash = ?').get(hash) !== undefined;
  } finally {
    pack.close();
  }
}

/** Blobs that are files of their own, as paths below the folder of the blobs. */
function largeBlobs(dataDir: string): readonly string[] {
  const folder = join(dataDir, 'blobs');
  return readdirSync(folder)
    .filter((name) => /^[0-9a-f]{2}$/.test(name))
    .flatMap((name) => readdirSync(join(folder, name)).map((file) => `${name}/${file}`));
}

async function pack(
  dataDir: string,
  scratch: string,
  files: readonly string[],
  note: BackupNote,
  file: string,
): Promise<void> {
  const zip = new ZipWriter(file, 'wx');
  try {
    zip.add(backupNote, Buffer.from(`${JSON.stringify(note, null, 2)}\n`));
    await addFile(zip, databaseFile(scratch), 'currycomb.sqlite');
    await addFile(zip, join(scratch, 'pack.sqlite'), 'blobs/pack.sqlite');
    for (const path of files) {
      const from = join(dataDir, 'blobs', path);
      if (existsSync(from)) await addFile(zip, from, `blobs/${path}`, false);
    }
    zip.end();
  } catch (error) {
    zip.close();
    throw error;
  }
}

const addFile = (zip: ZipWriter, path: string, name: string, pack = true): Promise<void> =>
  zip.addStream(name, createReadStream(path), { bytes: statSync(path).size, pack });
