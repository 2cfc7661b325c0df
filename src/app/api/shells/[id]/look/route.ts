import { notFound } from '@/services/safety/answer';
import { lookAt, lookSchema } from '@/services/shells/thing-look';
import { shellRoute } from '../../../shell-route';

/** How one item or file looks: `?type=item&ref=…`. */
export const GET = shellRoute((shell, context, request) => {
  const query = lookSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!query.success) return Response.json({ trouble: 'Say which item or file to show.' }, { status: 400 });
  const look = lookAt(context, shell, query.data);
  return look ? Response.json(look) : notFound('thing');
});
