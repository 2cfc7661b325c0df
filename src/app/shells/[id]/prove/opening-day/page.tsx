import { openingDayView } from '@/services/show/prove/opening-day-view';
import { OpeningDay } from '@/ui/prove/opening-day';
import { shellPage } from '../../../shell-page';

export default shellPage((shell, context) => <OpeningDay view={openingDayView(context, shell)} />);
