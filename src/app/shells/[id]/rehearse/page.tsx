import { rehearseStage } from '@/services/rehearse/rehearse-view';
import { RehearsalStage } from '@/ui/rehearse/rehearsal-stage';
import { shellOfPage, type ShellPageProps } from '../../shell-page';

export default async function RehearsePage({ params }: ShellPageProps) {
  const { context, shell } = await shellOfPage(params);
  return <RehearsalStage view={rehearseStage(context, shell)} />;
}
