import { DrawnRehearsalStage } from '@/ui/rehearse/rehearsal-stage';
import { shellPage } from '../../shell-page';
import { stageSource } from '../../stage-source';

export default shellPage((shell) => <DrawnRehearsalStage source={stageSource(shell, 'rehearse')} />);
