import { appContext } from '@/services/app-context';
import { notFound } from '@/services/safety/answer';
import { guarded } from '../../guarded';

export const GET = guarded<{ id: string }>((_, { id }) => {
  const view = appContext().jobs.view(id);
  return view ? Response.json(view) : notFound('job');
});
