import { jobIdsSchema, jobsProgress } from '@/services/do/many-shells/jobs-progress';
import { appContext } from '@/services/keep/desks/app-context';
import { readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, jobIdsSchema);
  return body.ok ? Response.json(jobsProgress(appContext(), body.value)) : body.response;
});
