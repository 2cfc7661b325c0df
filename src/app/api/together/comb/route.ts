import { chosenSchema } from '@/services/do/many-shells/chosen-shells';
import { combTogether } from '@/services/do/many-shells/comb-together';
import { appContext } from '@/services/keep/desks/app-context';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../../guarded';

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, chosenSchema);
  return body.ok ? answer(combTogether(appContext(), body.value.shells)) : body.response;
});
