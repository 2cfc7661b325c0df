import { combView } from '@/services/comb/comb-view';
import { keptRules } from '@/services/house-rules/house-rules';
import { CombStage } from '@/ui/comb/comb-stage';
import { shellOfPage, type ShellPageProps } from '../../shell-page';

export default async function CombPage({ params }: ShellPageProps) {
  const { shell, context } = await shellOfPage(params);
  return <CombStage view={combView(context, shell, keptRules(context).key)} />;
}
