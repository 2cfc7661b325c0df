import { restorePoints } from '@/services/carry-out/restore-points';
import { RestorePointList } from '@/ui/carry-out/restore-point-list';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => (
  <RestorePointList
    id={shell.row.id}
    onHost={shell.row.hostId !== null}
    points={restorePoints(context, shell)}
  />
));
