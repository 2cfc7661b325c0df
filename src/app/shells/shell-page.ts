import { notFound } from 'next/navigation';
import { appContext } from '@/services/context';
import { findShell } from '@/services/shells/current-shell';

export interface ShellPageProps {
  readonly params: Promise<{ readonly id: string }>;
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

/** The shell that a page is about, or the page that says it is not here. */
export async function shellOfPage(params: ShellPageProps['params']) {
  const context = appContext();
  const shell = findShell(context, (await params).id);
  if (!shell) notFound();
  return { context, shell };
}
