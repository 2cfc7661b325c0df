import { combView } from '@/services/comb/comb-view';
import { CombStage } from '@/ui/comb/comb-stage';
import { shellOfPage, type ShellPageProps } from '../../shell-page';

export default async function CombPage({ params }: ShellPageProps) {
  const { shell } = await shellOfPage(params);
  return <CombStage view={combView(shell)} />;
}
