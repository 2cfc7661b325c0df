import type { ReactNode } from 'react';
import { ProveViews } from '@/ui/prove/prove-views';
import type { ShellPageProps } from '../../shell-page';

export default async function ProveLayout({
  params,
  children,
}: Pick<ShellPageProps, 'params'> & { children: ReactNode }) {
  const { id } = await params;
  return <ProveViews shellId={id}>{children}</ProveViews>;
}
