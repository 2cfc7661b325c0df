import { z } from 'zod';
import { orderDemo, removeDemo } from '@/services/do/demo/demo-shells';
import { appContext } from '@/services/keep/desks/app-context';
import { answer, readBodyAs } from '@/services/wire/answers/answer';
import { listShells } from '@/services/show/shells/shell-list';
import { guarded } from '../guarded';

const demoSchema = z.strictObject({
  /** Nothing is ordered where there is a shell already: what was done stays as it is. */
  onlyIfEmpty: z.boolean().default(false),
});

export const POST = guarded(async (request) => {
  const body = await readBodyAs(request, demoSchema);
  if (!body.ok) return body.response;
  const context = appContext();
  if (body.value.onlyIfEmpty && listShells(context).length > 0) return Response.json({ jobIds: [] });
  return answer(orderDemo(context));
});

export const DELETE = guarded(() => answer(removeDemo(appContext())));
