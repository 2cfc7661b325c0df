import type { JobQueue } from '@/services/keep/jobs/job-queue';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { StageDesk } from './stage-order';

/** What every use case works with. */
export interface Context extends OpenFolder {
  readonly jobs: JobQueue;
  readonly stages: StageDesk;
  /** Ends the threads and lets the folder go. */
  close(): Promise<void>;
}
