import { closeSync, existsSync, mkdirSync, openSync, readdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { filePath, type FilePath } from '@/core/shell/refs';
import { openArchive, type Archive } from '@/formats/archive/read-archive';
import { settleFile, writeAll } from '@/formats/archive/write-all';
import { defaultLimits } from '@/formats/archive/limits';
import { examine } from '../doctor/examine';
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

/**
 * Reads a backup back into a new folder and looks it over. Nothing is left of one that can't be read to its end.
 * Trouble `restore-not-empty`, `restore-no-backup`, `restore-damaged`.
 */
export async function readBackup(file: string, dataDir: string): Promise<Result<BackupNote>> {
  if (existsSync(dataDir) && readdirSync(dataDir).length > 0)
    return bad(
      'restore-not-empty',
      `${dataDir} is not empty; name a folder that is new or empty, so that nothing is lost.`,
    );
  const archive = await openArchive(file, file, limits);
  if (!archive.ok) return archive;
  try {
    const note = noteOf(archive.value, file);
    if (!note.ok) return note;
    const unpacked = await unpack(archive.value, dataDir);
    const restored = unpacked.ok ? lookOver(dataDir) : unpacked;
    if (!restored.ok) rmSync(dataDir, { recursive: true, force: true });
    return restored.ok ? note : restored;
  } finally {
    archive.value.close();
  }
}

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

async function unpack(archive: Archive, dataDir: string): Promise<Result<null>> {
  for (const { path } of archive.entries) {
    if (!ours.test(path)) continue;
    const written = await unpackOne(archive, path, join(dataDir, path));
    if (!written.ok) return written;
  }
  return good(null);
}

async function unpackOne(archive: Archive, path: FilePath, to: string): Promise<Result<null>> {
  mkdirSync(dirname(to), { recursive: true });
  const file = openSync(to, 'wx');
  try {
    let bytes = 0;
    const read = await archive.hash(path, (block) => {
      bytes += block.length;
      writeAll(file, block);
    });
    settleFile(file, bytes);
    return read.ok ? good(null) : bad('restore-damaged', `The backup is damaged: ${read.trouble.message}`);
  } finally {
    closeSync(file);
  }
}

/** What is restored is whole, or it is not restored. */
function lookOver(dataDir: string): Result<null> {
  const broken = examine(dataDir, false).diagnoses.find(({ code }) =>
    ['database-damaged', 'database-missing', 'blobs-damaged'].includes(code),
  );
  return broken ? bad('restore-damaged', `The backup is damaged: ${broken.sentence}`) : good(null);
}
