import { forgetHost } from '@/services/do/hosts/forget-host';
import { appContext } from '@/services/keep/desks/app-context';
import { answer } from '@/services/wire/answers/answer';
import { guarded } from '../../guarded';

/** Forgets a host and the secret that goes with it. */
export const DELETE = guarded<{ host: string }>((_, { host }) => answer(forgetHost(appContext(), host)));
