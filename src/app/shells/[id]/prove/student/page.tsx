import { DrawnEyeStage } from '@/ui/prove/student/eye-stage';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell) => <DrawnEyeStage source={stageSource(shell, 'student')} />);
