import { sameFindings } from '@/services/do/many-shells/same-findings';
import { DecideTogetherStage } from '@/ui/many-shells/decide-together-stage';
import { chosenPage } from '../chosen-page';

export const dynamic = 'force-dynamic';

export default chosenPage('Decide together', (shells, context) => (
  <DecideTogetherStage view={sameFindings(context, shells)} />
));
