import { orderPullAgain } from '@/services/do/hosts/order-pull';
import { answer } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

/** Reads the shell again from its host. */
export const POST = shellRoute((shell, context) => answer(orderPullAgain(context, shell)));
