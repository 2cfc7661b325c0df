import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parentPort, workerData } from 'node:worker_threads';
import type { JobMessage, JobReport } from '@/services/jobs/job-record';
import { jobOf } from '@/services/jobs/registry';
import { digest } from '@/core/shell/digest';
import { UnreadableStore } from '@/core/shell/unreadable-store';
import { BlobStore } from '@/store/blobs';
import { Memo } from '@/store/memo';

/** A worker thread: takes jobs one after the other and reports. What it kept is on the disk before it says so. */
const { dataDir } = workerData as { dataDir: string };
const blobs = new BlobStore(join(dataDir, 'blobs'));
const engine = digest(readFileSync(fileURLToPath(import.meta.url)));
const memo = new Memo(dataDir, engine);
const report = (message: JobReport) => parentPort?.postMessage(message);
/** Progress comes at most this often, in milliseconds: each one is written to the job’s row. */
const progressEvery = 50;

async function run({ id, kind, input }: JobMessage): Promise<JobReport> {
  const record = jobOf(kind);
  if (!record) return { id, type: 'trouble', message: `There is no job “${kind}”; nothing was changed.` };
  let last = -progressEvery;
  const progress = (done: number, total: number, doing: string) => {
    const now = performance.now();
    if (now - last < progressEvery) return;
    last = now;
    report({ id, type: 'progress', done, total, doing });
  };
  try {
    const result = await record.run(record.input.parse(input), { blobs, memo, dataDir, progress });
    blobs.flush();
    return result.ok
      ? { id, type: 'done', output: result.value }
      : { id, type: 'trouble', message: result.trouble.message };
  } catch (error) {
    if (error instanceof UnreadableStore)
      return { id, type: 'trouble', message: `${error.message} Nothing was changed.` };
    const why = error instanceof Error ? error.message : 'unknown';
    return {
      id,
      type: 'trouble',
      message: `Something went wrong in Currycomb itself, and nothing was changed (${why}).`,
    };
  }
}

parentPort?.on('message', (message: JobMessage) => void run(message).then(report));
