import { DrawnResetStage } from '@/ui/reset/reset-stage';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell) => <DrawnResetStage source={stageSource(shell, 'reset')} />);
