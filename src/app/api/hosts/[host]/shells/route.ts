import { shellsAtHost } from '@/services/hosts/host-records';
import { appContext } from '@/services/open-context';
import { answer, refuseForeign } from '@/services/safety/answer';

/** The shells that are ours at a host, and which of them are here already. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ host: string }> },
): Promise<Response> {
  const refused = refuseForeign(request);
  return refused ?? answer(await shellsAtHost(appContext(), (await params).host));
}
