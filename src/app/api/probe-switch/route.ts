import { appContext } from '@/services/keep/desks/app-context';
import { probeSwitchSchema, switchProbe } from '@/services/keep/probe/probe-switch';
import { readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../guarded';

export const PUT = guarded(async (request) => {
  const body = await readBodyAs(request, probeSwitchSchema);
  return body.ok ? Response.json(switchProbe(appContext(), body.value)) : body.response;
});
