import { join } from 'node:path';
import { BlobStore } from '@/store/blobs';
import { openDatabase, type Db } from '@/store/database';
import { lockFolder, type FolderLock } from '@/store/folder-lock';
import { prepareMemo } from '@/store/memo';
import { countOldTallies } from './comb/old-tallies';
import type { Context } from './context';
import type { JobQueue } from './jobs/job-queue';
import { ThreadQueue } from './jobs/thread-queue';

export interface ContextPaths {
  readonly dataDir: string;
  readonly migrationsDir: string;
  readonly workerFile: string;
}

/** Opens a data folder for this process alone. Throws one sentence where another process has it. */
export function openContext(paths: ContextPaths): Context {
  const { dataDir, migrationsDir, workerFile } = paths;
  const lock = lockFolder(dataDir);
  if (!lock.ok) throw new FolderTaken(lock.trouble.message);
  const db = openDatabase(dataDir, migrationsDir);
  countOldTallies(db);
  const blobs = new BlobStore(join(dataDir, 'blobs'));
  blobs.clearUnfinished();
  prepareMemo(dataDir);
  const jobs = new ThreadQueue(db, { workerFile, dataDir });
  return { db, blobs, jobs, dataDir, close: () => closeAll(db, blobs, jobs, lock.value) };
}

async function closeAll(db: Db, blobs: BlobStore, jobs: JobQueue, lock: FolderLock): Promise<void> {
  await jobs.close();
  blobs.close();
  db.$client.close();
  lock.release();
}

/** Another process works in the data folder. */
export class FolderTaken extends Error {}

const holder = globalThis as typeof globalThis & { currycomb?: Context };

/** The one context of the web process. */
export function appContext(): Context {
  const root = process.env['CURRYCOMB_ROOT'] ?? process.cwd();
  return (holder.currycomb ??= openContext({
    dataDir: process.env['CURRYCOMB_DATA'] ?? join(root, '.data'),
    migrationsDir: join(root, 'src/store/migrations'),
    workerFile: join(root, 'dist/workers/job.mjs'),
  }));
}
