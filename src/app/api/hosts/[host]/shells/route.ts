import { shellsAtHost } from '@/services/hosts/sign-in';
import { appContext } from '@/services/app-context';
import { answer } from '@/services/safety/answer';
import { guarded } from '../../../guarded';

/** The shells that are ours at a host, and which of them are here already. */
export const GET = guarded<{ host: string }>(async (request, { host }) =>
  answer(await shellsAtHost(appContext(), host, request.signal)),
);
