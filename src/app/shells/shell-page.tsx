import { notFound } from 'next/navigation';
import { cache, type ReactNode } from 'react';
import { UnreadableStore } from '@/core/shell/unreadable-store';
import type { Context } from '@/services/keep/desks/context';
import { findShell, type CurrentShell } from '@/services/keep/shells/current-shell';
import { UnreadableShell } from '@/ui/stage/unreadable-shell';
import { JobsUnderWay } from '@/ui/jobs/jobs-under-way';
import { withContext } from '../with-context';

export type PageQuery = Readonly<Record<string, string | string[] | undefined>>;
export interface ShellPageProps {
  readonly params: Promise<{ readonly id: string }>;
  readonly searchParams: Promise<PageQuery>;
}

// Layout, title and page of one answer ask for the same shell.
const load = cache((id: string) => {
  return withContext((context) => ({
    context,
    underWay: context.jobs.allUnderWay(id).map((job) => ({ id: job.id, kind: job.kind })),
    shell: findShell(context, id),
  }));
});

/** The shell that a page is about, or the page that says it is not here. */
export async function shellOfPage(params: ShellPageProps['params']) {
  const { context, shell, underWay } = load((await params).id);
  if (!shell) notFound();
  return { context, shell, underWay };
}

/**
 * A page of one shell. Where what it shows can't be opened, it says so in one sentence; the frame and the other pages
 * of the shell stay usable.
 */
export const shellPage = (draw: (shell: CurrentShell, context: Context, query: PageQuery) => ReactNode) =>
  async function ShellPage({ params, searchParams }: ShellPageProps): Promise<ReactNode> {
    const { context, shell, underWay } = await shellOfPage(params);
    const query = await searchParams;
    const drawn = withContext(() => {
      try {
        return draw(shell, context, query);
      } catch (error) {
        if (!(error instanceof UnreadableStore)) throw error;
        return <UnreadableShell id={shell.row.id} sentence={error.message} />;
      }
    });
    return <JobsUnderWay jobs={underWay}>{drawn}</JobsUnderWay>;
  };
