import type { BlobStore } from '@/store/blobs';
import type { Db } from '@/store/database';
import type { JobQueue } from './jobs/job-queue';

/** What every use case works with. */
export interface Context {
  readonly db: Db;
  readonly blobs: BlobStore;
  readonly jobs: JobQueue;
  readonly dataDir: string;
  /** Ends the threads and lets the folder go. */
  close(): Promise<void>;
}
