import { previewView } from '@/services/do/add/preview-view';
import { rememberedColumns } from '@/services/do/bring-in/sheet-columns';
import { ChoosePackage } from '@/ui/add/choose-package';
import { PreviewStage } from '@/ui/add/preview-stage';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => {
  const view = previewView(context, shell);
  const { id, code } = shell.row;
  return view ? (
    <PreviewStage key={`${view.id} ${shell.version.id}`} id={id} code={code} view={view} />
  ) : (
    <ChoosePackage id={id} code={code} remembered={rememberedColumns(context)} />
  );
});
