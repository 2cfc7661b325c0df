import { dataFolder } from '@/services/keep/desks/app-context';
import { refuseForeign, unexpected } from '@/services/wire/answers/answer';

interface RouteParams<P> {
  readonly params: Promise<P>;
}

/** A route: safety first, then what it does; whatever goes wrong in it is answered with one sentence. */
export const guarded =
  <P = object>(act: (request: Request, params: P) => Promise<Response> | Response) =>
  async (request: Request, { params }: RouteParams<P>): Promise<Response> => {
    const refused = refuseForeign(request);
    if (refused) return refused;
    try {
      return await act(request, await params);
    } catch (error) {
      return unexpected(error, request, dataFolder());
    }
  };
