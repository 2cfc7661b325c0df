import type { ReactNode } from 'react';
import { frameView } from '@/services/show/shells/frame-view';
import { ShellFrame } from '@/ui/frame/shell-frame';
import { shellOfPage, type ShellPageProps } from '../shell-page';

export const dynamic = 'force-dynamic';

export default async function ShellLayout({
  params,
  children,
}: Pick<ShellPageProps, 'params'> & { children: ReactNode }) {
  const { context, shell } = await shellOfPage(params);
  return <ShellFrame view={frameView(context, shell, new Date())}>{children}</ShellFrame>;
}
