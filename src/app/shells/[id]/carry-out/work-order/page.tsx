import { workOrderView } from '@/services/carry-out/work-order';
import { WorkOrder } from '@/ui/carry-out/work-order';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => (
  <WorkOrder
    id={shell.row.id}
    code={shell.row.code}
    title={shell.row.title}
    view={workOrderView(context, shell)}
  />
));
