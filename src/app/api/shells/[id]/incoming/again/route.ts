import { orderHoldAgain } from '@/services/add/order-incoming';
import { answer } from '@/services/safety/answer';
import { shellRoute } from '../../../../shell-route';

export const POST = shellRoute((shell, context) => answer(orderHoldAgain(context, shell)));
