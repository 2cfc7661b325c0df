import { forgetNextTime, keepNextTime, keepNextTimeSchema } from '@/services/do/next-time/next-time';
import { readBodyAs } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute(async (shell, context, request) => {
  const body = await readBodyAs(request, keepNextTimeSchema);
  return body.ok ? Response.json(keepNextTime(context, shell, body.value)) : body.response;
});

export const DELETE = shellRoute((shell, context) => {
  forgetNextTime(context, shell);
  return Response.json({ forgotten: true });
});
