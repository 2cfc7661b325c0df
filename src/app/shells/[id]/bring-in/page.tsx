import { DrawnInventoryView } from '@/ui/bring-in/inventory-view';
import { shellPage } from '../../shell-page';
import { stageSource } from '../../stage-source';

export default shellPage((shell) => <DrawnInventoryView source={stageSource(shell, 'bring-in')} />);
