import { Suspense } from 'react';
import { combView } from '@/services/comb/comb-view';
import { Workbench } from '@/ui/decide/workbench';
import { shellOfPage, type ShellPageProps } from '../../shell-page';

export default async function DecidePage({ params }: ShellPageProps) {
  const { shell } = await shellOfPage(params);
  return (
    <Suspense>
      <Workbench view={combView(shell)} />
    </Suspense>
  );
}
