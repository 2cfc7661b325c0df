import { DrawnPlanList } from '@/ui/plan/plan-list';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell) => (
  <DrawnPlanList id={shell.row.id} changes={shell.plan.size} source={stageSource(shell, 'plan')} />
));
