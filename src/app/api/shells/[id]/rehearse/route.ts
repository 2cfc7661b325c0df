import { orderRehearsal } from '@/services/rehearse/order-rehearsal';
import { answer } from '@/services/safety/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute((shell, context) => answer(orderRehearsal(context, shell)));
