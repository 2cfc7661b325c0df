import { appContext } from '@/services/app-context';
import { probeSwitchSchema, switchProbe } from '@/services/probe/probe-switch';
import { readBodyAs } from '@/services/safety/answer';
import { guarded } from '../guarded';

export const PUT = guarded(async (request) => {
  const body = await readBodyAs(request, probeSwitchSchema);
  return body.ok ? Response.json(switchProbe(appContext(), body.value)) : body.response;
});
