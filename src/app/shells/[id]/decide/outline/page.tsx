import { outlineView } from '@/services/decide/outline-view';
import { OutlineStage } from '@/ui/outline/outline-stage';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => <OutlineStage view={outlineView(context, shell)} />);
