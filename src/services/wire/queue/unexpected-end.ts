import type { WorkerLost } from '@/services/wire/processes/worker-process';
import { leftBehind } from '@/services/keep/jobs/job-record';
import type { JobRow } from '@/services/keep/jobs/job-rows';
import { jobOf } from '@/services/wire/jobs/registry';

/** What is said of a job whose process ended by itself. */
export function sayLost(job: JobRow, { wasKilled }: WorkerLost): string {
  return wasKilled
    ? `This takes more memory than Currycomb gives to one job, so it was ended. ${leftOf(job)}`
    : `Something went wrong in Currycomb itself. ${leftOf(job)} What happened stands under “Data folder”.`;
}

/** What is said of a job that was ended because nothing was heard of it. */
export const saySilence = (job: JobRow): string =>
  `It did not get on for half an hour, so it was ended; try it again, in smaller parts if that can be. ${leftOf(job)}`;

/** What a job that was cut off leaves behind. */
function leftOf(job: JobRow): string {
  const record = jobOf(job.kind);
  return record ? leftBehind(record) : 'Nothing was changed.';
}
