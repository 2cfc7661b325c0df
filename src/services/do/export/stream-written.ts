import { createReadStream, rmSync } from 'node:fs';
import type { Readable } from 'node:stream';
import { bad, good, type Result } from '@/core/shell/result';
import type { JobQueue } from '@/services/keep/jobs/job-queue';

export interface WrittenFile {
  readonly bytes: number;
  readonly stream: Readable;
}

/**
 * Waits for a job that writes a file and says how many bytes, and streams that; the file is gone when it is sent, or
 * where the job did not end well. `otherwise` is told where the job gave no reason.
 */
export async function streamWritten(
  jobs: JobQueue,
  jobId: string,
  file: string,
  otherwise: string,
): Promise<Result<WrittenFile>> {
  const view = await jobs.ended(jobId);
  if (view?.state !== 'done' || !view.result) {
    rmSync(file, { force: true });
    return bad('not-written', view?.trouble ?? otherwise);
  }
  const stream = createReadStream(file);
  stream.on('close', () => rmSync(file, { force: true }));
  return good({ bytes: (JSON.parse(view.result) as { bytes: number }).bytes, stream });
}
