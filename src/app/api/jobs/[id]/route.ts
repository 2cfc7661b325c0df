import { appContext } from '@/services/open-context';
import { notFound, refuseForeign } from '@/services/safety/answer';

export async function GET(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const refused = refuseForeign(request);
  if (refused) return refused;
  const view = appContext().jobs.view((await params).id);
  return view ? Response.json(view) : notFound('job');
}
