import { join } from 'node:path';
import { BlobStore } from '@/store/blobs';
import { openDatabase, type Db } from '@/store/database';
import { JobRunner } from './jobs/job-runner';

/** What every use case works with. */
export interface Context {
  readonly db: Db;
  readonly blobs: BlobStore;
  readonly jobs: JobRunner;
  readonly dataDir: string;
}

export interface ContextPaths {
  readonly dataDir: string;
  readonly migrationsDir: string;
  readonly workerFile: string;
}

export function openContext(paths: ContextPaths): Context {
  const db = openDatabase(paths.dataDir, paths.migrationsDir);
  const blobsDir = join(paths.dataDir, 'blobs');
  return {
    db,
    blobs: new BlobStore(blobsDir),
    jobs: new JobRunner(db, paths.workerFile, blobsDir),
    dataDir: paths.dataDir,
  };
}

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
