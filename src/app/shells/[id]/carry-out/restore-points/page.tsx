import { DrawnRestorePointList } from '@/ui/carry-out/restore-point-list';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell) => (
  <DrawnRestorePointList
    id={shell.row.id}
    onHost={shell.row.hostId !== null}
    source={stageSource(shell, 'restore-points')}
  />
));
