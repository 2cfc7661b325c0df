import { combView } from '@/services/comb/comb-view';
import { rulesFor } from '@/services/house-rules/house-rules';
import { CombStage } from '@/ui/comb/comb-stage';
import { shellPage } from '../../shell-page';

export default shellPage((shell, context) => (
  <CombStage view={combView(context, shell, rulesFor(context, shell.row).key)} />
));
