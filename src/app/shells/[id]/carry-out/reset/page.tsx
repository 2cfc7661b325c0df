import { resetStart } from '@/services/reset/reset-plan';
import { ResetStage } from '@/ui/reset/reset-stage';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => <ResetStage start={resetStart(context, shell)} />);
