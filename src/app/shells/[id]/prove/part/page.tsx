import { DrawnPartStage } from '@/ui/prove/part-stage';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell) => (
  <DrawnPartStage id={shell.row.id} code={shell.row.code} source={stageSource(shell, 'part')} />
));
