import {
  closeSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  rmSync,
  statSync,
} from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import Database from 'better-sqlite3';
import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { digest } from '@/core/refs/digest';
import { filePath, sha256, type FilePath } from '@/core/refs/refs';
import { openArchive, type Archive } from '@/formats/archive/read-archive';
import { settleFile, writeAll } from '@/formats/archive/write-all';
import { defaultLimits } from '@/formats/archive/limits';
import { BlobStore } from '@/store/blobs';
import { databaseFile } from '@/store/database';
import { makeAtLevel, migrationLevel } from '@/store/migration-level';
import { examine } from '@/services/do/storage/doctor/examine';
import { copyRows, leftBehind } from './copy-rows';
import { backupNote, backupSchema, type BackupNote } from './write-backup';

const noteSchema = z.strictObject({
  schema: z.literal(backupSchema),
  at: z.string(),
  shells: z.number().int().min(0),
  blobs: z.number().int().min(0),
});

/** A backup of one's own may be as large as the disk. */
const limits = {
  ...defaultLimits,
  packedBytes: 2 ** 46,
  unpackedBytes: 2 ** 46,
  entries: 10_000_000,
  ratio: 2 ** 20,
};

/** What a data folder consists of; anything else in the file is not written. */
const ours = /^(currycomb\.sqlite|blobs\/pack\.sqlite|blobs\/[0-9a-f]{2}\/[0-9a-f]{64})$/;

/** A backup that was read back, and what of it was left out. */
export interface Restored extends BackupNote {
  readonly leftOut: readonly string[];
}

/**
 * Reads a backup back into a new folder and looks it over. It may be anybody's: rows and blobs are copied into a database
 * and a store that are made here, and what could act on this computer is left out. Nothing is left of one that can't be
 * read to its end. Trouble `restore-not-empty`, `restore-no-backup`, `restore-damaged`, `restore-newer`.
 */
export async function readBackup(
  file: string,
  dataDir: string,
  migrationsDir: string,
): Promise<Result<Restored>> {
  if (existsSync(dataDir) && (!statSync(dataDir).isDirectory() || readdirSync(dataDir).length > 0))
    return bad(
      'restore-not-empty',
      `${dataDir} is not empty; name a folder that is new or empty, so that nothing is lost.`,
    );
  const archive = await openArchive(file, file, limits);
  if (!archive.ok) return archive;
  mkdirSync(dirname(resolve(dataDir)), { recursive: true });
  // Beside the folder: what is unpacked may be larger than the disk of temporary files.
  const scratch = mkdtempSync(join(dirname(resolve(dataDir)), '.currycomb-restore-'));
  try {
    const note = noteOf(archive.value, file);
    if (!note.ok) return note;
    const restored = await restore(archive.value, scratch, dataDir, migrationsDir);
    if (restored.ok) return good({ ...note.value, leftOut: restored.value });
    rmSync(dataDir, { recursive: true, force: true });
    return restored;
  } catch (error) {
    rmSync(dataDir, { recursive: true, force: true });
    if (isSqliteError(error)) return damaged(`SQLite says “${error.message}”.`);
    throw error;
  } finally {
    archive.value.close();
    rmSync(scratch, { recursive: true, force: true });
  }
}

const damaged = (why: string) => bad('restore-damaged', `The backup is damaged: ${why}`);
/** Errors of native modules may be of another realm, so they are known by what they have. */
const isSqliteError = (error: unknown): error is { readonly message: string } =>
  /^SQLITE_(CORRUPT|NOTADB|ERROR|CONSTRAINT|MISMATCH)/.test(String((error as { code?: unknown }).code));

function noteOf(archive: Archive, file: string): Result<BackupNote> {
  const bytes = archive.read(filePath(backupNote));
  const note = bytes.ok ? noteSchema.safeParse(parsed(bytes.value.toString('utf8'))) : null;
  return note?.success
    ? good(note.data)
    : bad('restore-no-backup', `“${file}” is no backup that Currycomb wrote; choose one that “backup” made.`);
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/** Fills the new folder and looks it over; gives what was left out. */
async function restore(
  archive: Archive,
  scratch: string,
  dataDir: string,
  migrationsDir: string,
): Promise<Result<readonly string[]>> {
  const unpacked = await unpack(archive, scratch, dataDir);
  if (!unpacked.ok) return unpacked;
  const copied = copyAll(scratch, dataDir, migrationsDir);
  if (!copied.ok) return copied;
  const sound = lookOver(dataDir);
  return sound.ok ? copied : sound;
}

/** The databases go to a scratch folder, to be copied row by row; large blobs go where they belong. */
async function unpack(archive: Archive, scratch: string, dataDir: string): Promise<Result<null>> {
  for (const { path } of archive.entries) {
    if (!ours.test(path)) continue;
    const isDatabase = path.endsWith('.sqlite');
    const to = join(isDatabase ? scratch : dataDir, path);
    const written = await unpackOne(archive, path, to);
    if (!written.ok) return written;
    const isAnother = !isDatabase && written.value !== path.slice(path.lastIndexOf('/') + 1);
    if (isAnother) return damaged(`the bytes of ${path} are not what they were.`);
  }
  return good(null);
}

/** Writes an entry to a file; gives the SHA-256 of its bytes. */
async function unpackOne(archive: Archive, path: FilePath, to: string): Promise<Result<string>> {
  mkdirSync(dirname(to), { recursive: true, mode: 0o700 });
  const file = openSync(to, 'wx', 0o600);
  try {
    let bytes = 0;
    const read = await archive.hash(path, (block) => {
      bytes += block.length;
      writeAll(file, block);
    });
    settleFile(file, bytes);
    return read.ok ? read : damaged(read.trouble.message);
  } finally {
    closeSync(file);
  }
}

/** Copies what was unpacked into a database and a store of our own making; gives what was left out. */
function copyAll(scratch: string, dataDir: string, migrationsDir: string): Result<readonly string[]> {
  if (!existsSync(databaseFile(scratch))) return damaged('it has no database.');
  const from = openStrange(databaseFile(scratch));
  try {
    const level = migrationLevel(from, migrationsDir);
    if (level === null)
      return bad(
        'restore-newer',
        'The backup was made by a later version of Currycomb. Update this one, then restore it.',
      );
    mkdirSync(dataDir, { recursive: true, mode: 0o700 });
    makeAtLevel(databaseFile(dataDir), migrationsDir, level);
    const to = new Database(databaseFile(dataDir));
    try {
      copyRows(from, to);
    } finally {
      to.close();
    }
    copyBlobs(join(scratch, 'blobs', 'pack.sqlite'), join(dataDir, 'blobs'));
    return good(leftBehind(from));
  } finally {
    from.close();
  }
}

/** Opens a database that may be anybody's: it is read, and none of its own functions, views or triggers runs. */
function openStrange(file: string): Database.Database {
  const db = new Database(file, { readonly: true });
  db.pragma('trusted_schema = OFF');
  db.pragma('cell_size_check = ON');
  return db;
}

/** Copies the small blobs that are what their hashes say, and what each of them holds. */
function copyBlobs(pack: string, folder: string): void {
  const to = new BlobStore(folder);
  const from = existsSync(pack) ? openStrange(pack) : null;
  try {
    if (from === null) return;
    const rows = from.prepare('SELECT CAST(hash AS TEXT), CAST(bytes AS BLOB) FROM blobs').raw();
    for (const row of rows.iterate()) {
      const [hash, bytes] = row as [string, Buffer];
      if (digest(bytes) === hash) to.keep(bytes, sha256(hash));
    }
    const holds = from.prepare('SELECT CAST(parent AS TEXT), CAST(child AS TEXT) FROM holds').raw();
    for (const row of holds.iterate()) {
      const [parent, child] = row as [string, string];
      if (isHash(parent) && isHash(child)) to.hold(sha256(parent), [child]);
    }
  } finally {
    from?.close();
    to.close();
  }
}

const isHash = (text: string): boolean => /^[0-9a-f]{64}$/.test(text);

/** What is restored is whole, or it is not restored. */
function lookOver(dataDir: string): Result<null> {
  const broken = examine(dataDir, false).diagnoses.find(({ code }) =>
    ['database-damaged', 'database-missing', 'blobs-damaged'].includes(code),
  );
  return broken ? damaged(broken.sentence) : good(null);
}
