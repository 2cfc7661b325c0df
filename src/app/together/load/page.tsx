import { jointLoad } from '@/services/show/many-shells/joint-load';
import { JointLoadStage } from '@/ui/many-shells/joint-load-stage';
import { chosenPage } from '../chosen-page';

export const dynamic = 'force-dynamic';

export default chosenPage('Load by week', (shells, context) => (
  <JointLoadStage load={jointLoad(context, shells)} />
));
