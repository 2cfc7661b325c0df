import type { JobQueue } from './jobs/job-queue';
import type { OpenFolder } from './open-folder';
import type { StageDesk } from './stages/stage-order';

/** What every use case works with. */
export interface Context extends OpenFolder {
  readonly jobs: JobQueue;
  readonly stages: StageDesk;
  /** Ends the threads and lets the folder go. */
  close(): Promise<void>;
}
