import { valuesView } from '@/services/decide/values-view';
import { ValuesStage } from '@/ui/values/values-stage';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => <ValuesStage view={valuesView(context, shell)} />);
