import { forgetHost } from '@/services/hosts/forget-host';
import { appContext } from '@/services/app-context';
import { answer } from '@/services/safety/answer';
import { guarded } from '../../guarded';

/** Forgets a host and the secret that goes with it. */
export const DELETE = guarded<{ host: string }>((_, { host }) => answer(forgetHost(appContext(), host)));
