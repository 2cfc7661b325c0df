import { shellsAtHost } from '@/services/do/hosts/sign-in';
import { appContext } from '@/services/keep/desks/app-context';
import { answer } from '@/services/wire/answers/answer';
import { guarded } from '../../../guarded';

/** The shells that are ours at a host, and which of them are here already. */
export const GET = guarded<{ host: string }>(async (request, { host }) =>
  answer(await shellsAtHost(appContext(), host, request.signal)),
);
