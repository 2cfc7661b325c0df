import { appContext } from '@/services/app-context';
import { healthOf } from '@/services/storage/health';
import { guarded } from '../api/guarded';

export const dynamic = 'force-dynamic';

/** 200 where the store can be used, 503 with the reason where not: for whoever runs Currycomb behind something. */
export const GET = guarded(() => Response.json(healthOf(appContext())));
