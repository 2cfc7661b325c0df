import { DrawnOutlineStage } from '@/ui/outline/outline-stage';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell) => <DrawnOutlineStage source={stageSource(shell, 'outline')} />);
