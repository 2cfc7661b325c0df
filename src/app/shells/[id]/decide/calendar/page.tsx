import { calendarView } from '@/services/decide/calendar-view';
import { PackedCalendarStage } from '@/ui/calendar/calendar-stage';
import { pack } from '@/ui/parts/pack';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => (
  <PackedCalendarStage packed={pack(calendarView(context, shell))} />
));
