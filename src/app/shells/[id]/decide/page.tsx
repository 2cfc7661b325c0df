import { listSavedViews } from '@/services/do/decide/saved-views';
import { DrawnWorkbench } from '@/ui/decide/workbench';
import { shellPage } from '../../shell-page';
import { stageSource } from '../../stage-source';

export default shellPage((shell, context) => (
  <DrawnWorkbench source={stageSource(shell, 'decide')} savedViews={listSavedViews(context)} />
));
