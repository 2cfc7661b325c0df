import { outlineView } from '@/services/decide/outline-view';
import { PackedOutlineStage } from '@/ui/outline/outline-stage';
import { pack } from '@/ui/parts/pack';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => (
  <PackedOutlineStage packed={pack(outlineView(context, shell))} />
));
