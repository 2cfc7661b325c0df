import { calendarView } from '@/services/decide/calendar-view';
import { CalendarStage } from '@/ui/calendar/calendar-stage';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => <CalendarStage view={calendarView(context, shell)} />);
