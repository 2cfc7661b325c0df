import { parentPort, workerData } from 'node:worker_threads';
import type { JobOrder, JobReport } from '@/services/jobs/job-kinds';
import { runJob } from '@/services/jobs/run-job';

/** A worker thread: takes orders one after the other and reports. */
const { blobsDir } = workerData as { blobsDir: string };
const say = (report: JobReport) => parentPort?.postMessage(report);

parentPort?.on('message', ({ id, kind, input }: JobOrder) => {
  let last = 0;
  const progress = (done: number, total: number, doing: string) => {
    const now = performance.now();
    if (done < total && now - last < 50 && kind === 'bring-in') return;
    last = now;
    say({ id, type: 'progress', done, total, doing });
  };
  runJob(kind, input, { blobsDir, progress }).then(
    (result) =>
      say(
        result.ok
          ? { id, type: 'done', output: result.value }
          : { id, type: 'trouble', message: result.trouble.message },
      ),
    (error: unknown) =>
      say({
        id,
        type: 'trouble',
        message: `Something went wrong in Currycomb itself, and nothing was changed (${error instanceof Error ? error.message : 'unknown'}).`,
      }),
  );
});
