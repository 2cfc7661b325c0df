import { DrawnRedateStage } from '@/ui/redate/redate-stage';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell) => <DrawnRedateStage source={stageSource(shell, 're-date')} />);
