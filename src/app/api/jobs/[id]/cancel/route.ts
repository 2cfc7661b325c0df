import { appContext } from '@/services/keep/desks/app-context';
import { guarded } from '../../../guarded';

export const POST = guarded<{ id: string }>((_, { id }) =>
  Response.json({ cancelled: appContext().jobs.cancel(id) }),
);
