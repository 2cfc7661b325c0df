import { appContext } from '@/services/keep/desks/app-context';
import { healthOf } from '@/services/do/storage/health';
import { guarded } from '../api/guarded';

export const dynamic = 'force-dynamic';

/** 200 where the store can be used, 503 with the reason where not: for whoever runs Currycomb behind something. */
export const GET = guarded(() => Response.json(healthOf(appContext())));
