import type { BlobStore } from '@/store/blobs';
import type { Db } from '@/store/database';
import type { JobQueue } from './jobs/job-queue';
import type { StageDesk } from './stages/stage-order';

/** A data folder that is open: what is read of it needs no more. */
export interface OpenFolder {
  readonly db: Db;
  readonly blobs: BlobStore;
  readonly dataDir: string;
}

/** What every use case works with. */
export interface Context extends OpenFolder {
  readonly jobs: JobQueue;
  readonly stages: StageDesk;
  /** Ends the threads and lets the folder go. */
  close(): Promise<void>;
}
