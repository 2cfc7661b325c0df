import { notFound } from 'next/navigation';
import { cache } from 'react';
import { appContext } from '@/services/open-context';
import { findShell } from '@/services/shells/current-shell';

export interface ShellPageProps {
  readonly params: Promise<{ readonly id: string }>;
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

// Layout, title and page of one answer ask for the same shell.
const load = cache((id: string) => findShell(appContext(), id));

/** The shell that a page is about, or the page that says it is not here. */
export async function shellOfPage(params: ShellPageProps['params']) {
  const context = appContext();
  const shell = load((await params).id);
  if (!shell) notFound();
  return { context, shell };
}
