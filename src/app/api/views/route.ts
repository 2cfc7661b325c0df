import { z } from 'zod';
import { dropView, savedViewSchema, saveView } from '@/services/decide/saved-views';
import { appContext } from '@/services/open-context';
import { readBodyAs, refuseForeign, unexpected } from '@/services/safety/answer';

const edit = z.discriminatedUnion('edit', [
  z.strictObject({ edit: z.literal('save'), view: savedViewSchema }),
  z.strictObject({ edit: z.literal('drop'), name: z.string() }),
]);

/** Views of the workbench under a name: kept and dropped. Answers with those that there are then. */
export async function POST(request: Request): Promise<Response> {
  const refused = refuseForeign(request);
  if (refused) return refused;
  const body = await readBodyAs(request, edit);
  if (!body.ok) return body.response;
  try {
    const context = appContext();
    const { value } = body;
    return Response.json(
      value.edit === 'save' ? saveView(context, value.view) : dropView(context, value.name),
    );
  } catch (error) {
    return unexpected(error);
  }
}
