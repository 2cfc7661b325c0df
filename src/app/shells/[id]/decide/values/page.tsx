import { DrawnValuesStage } from '@/ui/values/values-stage';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell) => <DrawnValuesStage source={stageSource(shell, 'values')} />);
