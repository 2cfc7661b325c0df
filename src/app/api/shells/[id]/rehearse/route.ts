import { orderRehearsal } from '@/services/do/rehearse/order-rehearsal';
import { answer } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute((shell, context) => answer(orderRehearsal(context, shell)));
