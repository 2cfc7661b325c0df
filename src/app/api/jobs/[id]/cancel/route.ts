import { appContext } from '@/services/open-context';
import { refuseForeign } from '@/services/safety/answer';

export async function POST(
  request: Request,
  { params }: { params: Promise<{ id: string }> },
): Promise<Response> {
  const refused = refuseForeign(request);
  if (refused) return refused;
  return Response.json({ cancelled: appContext().jobs.cancel((await params).id) });
}
