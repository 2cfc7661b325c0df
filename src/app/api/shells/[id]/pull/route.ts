import { orderPullAgain } from '@/services/hosts/order-pull';
import { answer } from '@/services/safety/answer';
import { shellRoute } from '../../../shell-route';

/** Reads the shell again from its host. */
export const POST = shellRoute((shell, context) => answer(orderPullAgain(context, shell)));
