import { z } from 'zod';
import { dropView, savedViewSchema, saveView } from '@/services/do/decide/saved-views';
import { appContext } from '@/services/keep/desks/app-context';
import { readBodyAs } from '@/services/wire/answers/answer';
import { guarded } from '../guarded';

const edit = z.discriminatedUnion('edit', [
  z.strictObject({ edit: z.literal('save'), view: savedViewSchema }),
  z.strictObject({ edit: z.literal('drop'), name: z.string() }),
]);

/** Views of the workbench under a name: kept and dropped. Answers with those that there are then. */
export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, edit);
  if (!body.ok) return body.response;
  const context = appContext();
  const { value } = body;
  return Response.json(value.edit === 'save' ? saveView(context, value.view) : dropView(context, value.name));
});
