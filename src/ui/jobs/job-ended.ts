import { send } from './use-job';

interface JobState {
  readonly state: string;
  readonly trouble: string | null;
}

/** Waits until a job is over; gives what went wrong, in one sentence, or null where nothing did. */
export async function jobEnded(jobId: string): Promise<string | null> {
  for (;;) {
    const job = await send<JobState>(`/api/jobs/${jobId}`, undefined, 'GET');
    if (!job.ok) return job.trouble;
    if (job.value.state !== 'waiting' && job.value.state !== 'running') return job.value.trouble;
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
}
