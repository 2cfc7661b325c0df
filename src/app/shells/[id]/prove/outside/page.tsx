import { probeView } from '@/services/show/probe/probe-view';
import { OutsideStage } from '@/ui/prove/outside/outside-stage';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => <OutsideStage view={probeView(context, shell)} />);
