import type { Context } from '@/services/context';
import { appContext } from '@/services/open-context';
import { notFound, refuseForeign, unexpected } from '@/services/safety/answer';
import { findShell, type CurrentShell } from '@/services/shells/current-shell';

export interface ShellParams {
  readonly params: Promise<{ readonly id: string }>;
}

/** A route about one shell: safety first, then the shell, then what the route does with it. */
export const shellRoute =
  <P extends ShellParams>(
    act: (
      shell: CurrentShell,
      context: Context,
      request: Request,
      params: Awaited<P['params']>,
    ) => Promise<Response> | Response,
  ) =>
  async (request: Request, { params }: P): Promise<Response> => {
    const refused = refuseForeign(request);
    if (refused) return refused;
    const context = appContext();
    const known = await params;
    const shell = findShell(context, known.id);
    if (!shell) return notFound('shell');
    try {
      return await act(shell, context, request, known as Awaited<P['params']>);
    } catch (error) {
      return unexpected(error);
    }
  };
