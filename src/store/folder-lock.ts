import { chmodSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
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
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  keepPrivate(dataDir);
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
  try {
    writeFileSync(holderFile, String(process.pid));
  } catch (error) {
    // A lock that nobody knows of would keep this very process out for good.
    file.close();
    throw error;
  }
  return good({
    release: () => {
      file.exec('ROLLBACK');
      file.close();
    },
  });
}

/** What is kept is for its owner alone, whatever the folder allowed before. */
function keepPrivate(dataDir: string): void {
  try {
    chmodSync(dataDir, 0o700);
  } catch {
    // A folder of somebody else's, or a file system without modes: it is used as it is.
  }
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
