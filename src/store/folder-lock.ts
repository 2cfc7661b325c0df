import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { bad, good, type Result } from '@/core/shell/result';

export interface FolderLock {
  release(): void;
}

/**
 * Takes a data folder for this process. The lock is a lock of the operating system on a file of its own (SQLite’s
 * exclusive lock), so that it ends with the process however that ends. Trouble `folder-taken` where another has it.
 * Throws what the file system says where the folder can’t be used at all.
 */
export function lockFolder(dataDir: string): Result<FolderLock> {
  mkdirSync(dataDir, { recursive: true });
  const holderFile = join(dataDir, 'in-use-by.txt');
  const file = new Database(join(dataDir, 'in-use.sqlite'), { timeout: 200 });
  try {
    file.pragma('journal_mode = DELETE');
    file.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    file.close();
    if (!isHeld(error)) throw error;
    return bad(
      'folder-taken',
      `Another Currycomb${holderOf(holderFile)} already uses the folder ${dataDir}. Use that one, end it, or give this one a folder of its own with CURRYCOMB_DATA.`,
    );
  }
  writeFileSync(holderFile, String(process.pid));
  return good({
    release: () => {
      file.exec('ROLLBACK');
      file.close();
    },
  });
}

/** Held by another process, and not merely impossible to lock. */
const isHeld = (error: unknown): boolean =>
  String((error as { code?: unknown } | null)?.code).startsWith('SQLITE_BUSY');

function holderOf(file: string): string {
  try {
    return ` (process ${readFileSync(file, 'utf8').trim()})`;
  } catch {
    return '';
  }
}
