import { hasWaitingSource, sourcesFor } from '@/services/show/bring-in/sources';
import { rememberedColumns } from '@/services/do/bring-in/sheet-columns';
import { ChooseSource } from '@/ui/bring-over/choose-source';
import { DrawnBringOver } from '@/ui/bring-over/bring-over-stage';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell, context) => {
  const { id, code } = shell.row;
  if (hasWaitingSource(context, shell)) return <DrawnBringOver source={stageSource(shell, 'bring-over')} />;
  return (
    <ChooseSource
      id={id}
      code={code}
      remembered={rememberedColumns(context)}
      shells={sourcesFor(context, shell)}
    />
  );
});
