import type { ReactNode } from 'react';
import { DecideViews } from '@/ui/decide/decide-views';
import type { ShellPageProps } from '../../shell-page';

export default async function DecideLayout({
  params,
  children,
}: Pick<ShellPageProps, 'params'> & { children: ReactNode }) {
  const { id } = await params;
  return <DecideViews shellId={id}>{children}</DecideViews>;
}
