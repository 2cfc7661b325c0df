import { appContext } from '@/services/keep/desks/app-context';
import { notFound } from '@/services/wire/answers/answer';
import { guarded } from '../../guarded';

export const GET = guarded<{ id: string }>((_, { id }) => {
  const view = appContext().jobs.view(id);
  return view ? Response.json(view) : notFound('job');
});
