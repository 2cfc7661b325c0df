import type { Context } from '@/services/keep/desks/context';
import { appContext } from '@/services/keep/desks/app-context';
import { notFound } from '@/services/wire/answers/answer';
import { findShell, type CurrentShell } from '@/services/keep/shells/current-shell';
import { guarded } from './guarded';

export interface ShellParams {
  readonly params: Promise<{ readonly id: string }>;
}

/** A route about one shell: safety first, then the shell, then what the route does with it. */
export const shellRoute = <P extends ShellParams>(
  act: (
    shell: CurrentShell,
    context: Context,
    request: Request,
    params: Awaited<P['params']>,
  ) => Promise<Response> | Response,
) =>
  guarded<Awaited<P['params']>>((request, params) => {
    const context = appContext();
    const shell = findShell(context, params.id);
    return shell ? act(shell, context, request, params) : notFound('shell');
  });
