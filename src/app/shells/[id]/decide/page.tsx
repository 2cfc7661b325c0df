import { Suspense } from 'react';
import { decideView } from '@/services/decide/decide-view';
import { keptRules } from '@/services/house-rules/house-rules';
import { Workbench } from '@/ui/decide/workbench';
import { shellOfPage, type ShellPageProps } from '../../shell-page';

export default async function DecidePage({ params }: ShellPageProps) {
  const { shell, context } = await shellOfPage(params);
  return (
    <Suspense>
      <Workbench view={decideView(context, shell, keptRules(context).key)} />
    </Suspense>
  );
}
