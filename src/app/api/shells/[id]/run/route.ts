import { openRunView } from '@/services/show/carry-out/open-run-view';
import { orderRun } from '@/services/do/carry-out/order-run';
import { answer } from '@/services/wire/answers/answer';
import { shellRoute } from '../../../shell-route';

export const POST = shellRoute((shell, context) => answer(orderRun(context, shell)));

/** The run on the host that is not at its end, if there is one. */
export const GET = shellRoute((shell, context) => Response.json({ run: openRunView(context, shell.row.id) }));
