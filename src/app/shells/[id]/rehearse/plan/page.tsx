import { planList } from '@/services/decide/plan-list';
import { PlanList } from '@/ui/plan/plan-list';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => (
  <PlanList id={shell.row.id} lines={planList(context, shell)} changes={shell.plan.size} />
));
