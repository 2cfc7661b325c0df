import { appContext } from '@/services/app-context';
import { guarded } from '../../../guarded';

export const POST = guarded<{ id: string }>((_, { id }) =>
  Response.json({ cancelled: appContext().jobs.cancel(id) }),
);
