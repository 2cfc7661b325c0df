import { send } from './use-job';

/** Waits until a job is over, however it ended. */
export async function jobEnded(jobId: string): Promise<void> {
  for (;;) {
    const job = await send<{ state: string }>(`/api/jobs/${jobId}`, undefined, 'GET');
    if (!job.ok || (job.value.state !== 'waiting' && job.value.state !== 'running')) return;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
}
