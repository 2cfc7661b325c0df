import { lookSchema, type ThingLook } from '@/services/show/shells/thing-look';
import { bytesOf } from '@/services/keep/desks/stage-answer';
import { shellRoute } from '../../../shell-route';
import { stageJson } from '../../../stage-json';

/** A list may still name what another window has taken away meanwhile. */
const gone: ThingLook = { is: 'nothing', why: 'It is not in this shell any more.' };

/** How one item or file looks: `?type=item&ref=…`. */
export const GET = shellRoute(async ({ row }, context, request) => {
  const { search, searchParams } = new URL(request.url);
  const asked = lookSchema.safeParse(Object.fromEntries(searchParams));
  if (!asked.success) return Response.json({ trouble: 'Say which item or file to show.' }, { status: 400 });
  const look = bytesOf(await context.stages.draw({ shellId: row.id, stage: 'look', query: search }));
  return look ? stageJson(look) : Response.json(gone);
});
