import { thingsToExport } from '@/services/prove/things-to-export';
import { PartStage } from '@/ui/prove/part-stage';
import { shellOfPage, type ShellPageProps } from '../../../shell-page';

export default async function PartPage({ params }: ShellPageProps) {
  const { context, shell } = await shellOfPage(params);
  return <PartStage id={shell.row.id} code={shell.row.code} things={thingsToExport(context, shell)} />;
}
