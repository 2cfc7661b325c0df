import { valuesView } from '@/services/decide/values-view';
import { PackedValuesStage } from '@/ui/values/values-stage';
import { pack } from '@/ui/parts/pack';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => <PackedValuesStage packed={pack(valuesView(context, shell))} />);
