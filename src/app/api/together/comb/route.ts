import { chosenSchema } from '@/services/many-shells/chosen-shells';
import { combTogether } from '@/services/many-shells/comb-together';
import { appContext } from '@/services/app-context';
import { answer, readBodyAs } from '@/services/safety/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, chosenSchema);
  return body.ok ? answer(combTogether(appContext(), body.value.shells)) : body.response;
});
