import { redateStart } from '@/services/redate/redate-plan';
import { RedateStage } from '@/ui/redate/redate-stage';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => <RedateStage start={redateStart(context, shell)} />);
