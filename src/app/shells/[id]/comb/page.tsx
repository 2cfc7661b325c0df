import { combView } from '@/services/comb/comb-view';
import { rulesFor } from '@/services/house-rules/house-rules';
import { PackedCombStage } from '@/ui/comb/comb-stage';
import { pack } from '@/ui/parts/pack';
import { shellPage } from '../../shell-page';

export default shellPage((shell, context) => (
  <PackedCombStage packed={pack(combView(context, shell, rulesFor(context, shell.row).key))} />
));
