import { orderRun } from '@/services/carry-out/order-run';
import { answer } from '@/services/safety/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute((shell, context) => answer(orderRun(context, shell)));
