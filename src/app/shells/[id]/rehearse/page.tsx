import { rehearseStage } from '@/services/rehearse/rehearse-view';
import { RehearsalStage } from '@/ui/rehearse/rehearsal-stage';
import { shellPage } from '../../shell-page';

export default shellPage((shell, context) => <RehearsalStage view={rehearseStage(context, shell)} />);
