import { DrawnProofStage } from '@/ui/prove/proof-stage';
import { shellPage } from '../../shell-page';
import { stageSource } from '../../stage-source';

export default shellPage((shell) => <DrawnProofStage source={stageSource(shell, 'prove')} />);
