import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { BlobStore } from '@/store/blobs';
import { DatabaseMissing, openDatabase } from '@/store/database';
import { lockFolder, type FolderLock } from '@/store/folder-lock';
import { prepareMemo } from '@/store/memo';
import { countOldTallies } from '@/services/keep/findings/old-tallies';
import type { Context } from '@/services/keep/desks/context';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { JobQueue } from '@/services/keep/jobs/job-queue';
import { ProcessQueue } from '@/services/wire/queue/process-queue';
import { StageProcesses } from '@/services/wire/stages/stage-processes';
import { StorageFault, storageFault } from '@/services/keep/storage/storage-fault';

export interface ContextPaths {
  readonly dataDir: string;
  readonly migrationsDir: string;
  /** The folder of the bundled worker processes. */
  readonly workers: string;
}

/**
 * Opens a data folder for this process alone. Throws FolderTaken where another process has it and StorageFault where it
 * can’t be used; nothing is held then, so that it can be tried again.
 */
export function openContext(paths: ContextPaths): Context {
  const { dataDir } = paths;
  // Whatever is written from now on, here and by the processes that work for this one, is for its owner alone.
  process.umask(0o077);
  try {
    const lock = lockFolder(dataDir);
    if (!lock.ok) throw new FolderTaken(lock.trouble.message);
    return openLocked(paths, lock.value);
  } catch (error) {
    if (error instanceof DatabaseMissing) throw new StorageFault(error.message, { cause: error });
    throw storageFault(error, dataDir) ?? error;
  }
}

function openLocked({ dataDir, migrationsDir, workers }: ContextPaths, lock: FolderLock): Context {
  const opened: { close(): void }[] = [{ close: () => lock.release() }];
  try {
    const db = openDatabase(dataDir, migrationsDir);
    opened.unshift(db.$client);
    countOldTallies(db);
    const blobs = new BlobStore(join(dataDir, 'blobs'));
    opened.unshift(blobs);
    blobs.clearUnfinished();
    prepareMemo(dataDir);
    const folder = { db, blobs, dataDir };
    const jobs = new ProcessQueue(db, { workerFile: join(workers, 'job.mjs'), dataDir }, processesHere());
    const stages = new StageProcesses(join(workers, 'stage.mjs'), dataDir);
    return { ...folder, jobs, stages, close: () => closeAll(folder, [jobs, stages], lock) };
  } catch (error) {
    for (const one of opened) one.close();
    throw error;
  }
}

/** Each process may take some hundred megabytes, so that there are never more than a few. */
const mostProcesses = 8;
/** One process for each core, two at least: a long job must not hold up all the others. */
const processesHere = (): number => Math.min(mostProcesses, Math.max(2, availableParallelism()));

async function closeAll(
  { db, blobs }: OpenFolder,
  workers: readonly Pick<JobQueue, 'close'>[],
  lock: FolderLock,
): Promise<void> {
  await Promise.all(workers.map((worker) => worker.close()));
  blobs.close();
  db.$client.close();
  lock.release();
}

/** Another process works in the data folder. */
export class FolderTaken extends StorageFault {}
