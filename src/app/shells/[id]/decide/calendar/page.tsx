import { DrawnCalendarStage } from '@/ui/calendar/calendar-stage';
import { shellPage } from '../../../shell-page';
import { stageSource } from '../../../stage-source';

export default shellPage((shell) => <DrawnCalendarStage source={stageSource(shell, 'calendar')} />);
