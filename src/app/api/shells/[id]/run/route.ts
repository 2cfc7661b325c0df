import { openRunView } from '@/services/carry-out/host/open-run-view';
import { orderRun } from '@/services/carry-out/order-run';
import { answer } from '@/services/safety/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute((shell, context) => answer(orderRun(context, shell)));

/** The run on the host that is not at its end, if there is one. */
export const GET = shellRoute((shell, context) => Response.json({ run: openRunView(context, shell.row.id) }));
