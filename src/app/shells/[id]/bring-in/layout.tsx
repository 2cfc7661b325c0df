import type { ReactNode } from 'react';
import { BringInViews } from '@/ui/bring-in/bring-in-views';
import type { ShellPageProps } from '../../shell-page';

export default async function BringInLayout({
  params,
  children,
}: Pick<ShellPageProps, 'params'> & { children: ReactNode }) {
  const { id } = await params;
  return <BringInViews shellId={id}>{children}</BringInViews>;
}
