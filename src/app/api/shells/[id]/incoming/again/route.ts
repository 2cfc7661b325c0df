import { orderHoldAgain } from '@/services/do/add/order-incoming';
import { answer } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../../shell-route';

export const POST = shellRoute((shell, context) => answer(orderHoldAgain(context, shell)));
