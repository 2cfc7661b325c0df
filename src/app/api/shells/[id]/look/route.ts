import { lookAt, lookSchema, type ThingLook } from '@/services/shells/thing-look';
import { shellRoute } from '../../../shell-route';

/** A list may still name what another window has taken away meanwhile. */
const gone: ThingLook = { is: 'nothing', why: 'It is not in this shell any more.' };

/** How one item or file looks: `?type=item&ref=…`. */
export const GET = shellRoute((shell, context, request) => {
  const query = lookSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!query.success) return Response.json({ trouble: 'Say which item or file to show.' }, { status: 400 });
  const look = lookAt(context, shell, query.data);
  return Response.json(look ?? gone);
});
