import { DrawnWorkOrder } from '@/ui/carry-out/work-order';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell) => (
  <DrawnWorkOrder
    id={shell.row.id}
    code={shell.row.code}
    title={shell.row.title}
    source={stageSource(shell, 'work-order')}
  />
));
