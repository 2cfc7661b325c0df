import { compareView } from '@/services/show/prove/compare-view';
import { CompareStage } from '@/ui/prove/compare/compare-stage';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => <CompareStage view={compareView(context, shell)} />);
