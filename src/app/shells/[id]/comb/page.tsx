import { DrawnCombStage } from '@/ui/comb/comb-stage';
import { shellPage } from '../../shell-page';
import { stageSource } from '../../stage-source';

export default shellPage((shell) => <DrawnCombStage source={stageSource(shell, 'comb')} />);
