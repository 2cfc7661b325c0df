import { orderComb } from '@/services/do/comb/order-comb';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute((shell, context) => Response.json({ jobId: orderComb(context, shell) }));
