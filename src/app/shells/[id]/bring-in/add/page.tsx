import { previewView } from '@/services/add/preview-view';
import { rememberedColumns } from '@/services/bring-in/sheet-columns';
import { ChoosePackage } from '@/ui/add/choose-package';
import { PreviewStage } from '@/ui/add/preview-stage';
import { shellOfPage, type ShellPageProps } from '../../../shell-page';

export default async function AddPage({ params }: ShellPageProps) {
  const { context, shell } = await shellOfPage(params);
  const view = previewView(context, shell);
  return view ? (
    <PreviewStage
      key={`${view.id} ${shell.version.id}`}
      id={shell.row.id}
      code={shell.row.code}
      view={view}
    />
  ) : (
    <ChoosePackage id={shell.row.id} code={shell.row.code} remembered={rememberedColumns(context)} />
  );
}
