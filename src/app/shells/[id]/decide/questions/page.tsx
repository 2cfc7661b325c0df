import { questionsView } from '@/services/do/decide/questions';
import { QuestionsStage } from '@/ui/questions/questions-stage';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => <QuestionsStage view={questionsView(context, shell)} />);
