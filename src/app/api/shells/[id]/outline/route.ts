import { outlineView } from '@/services/decide/outline-view';
import { shellRoute } from '../../../shell-route';

/** The outline as the plan so far would leave it: the editor asks again where something was held back. */
export const GET = shellRoute((shell, context) => Response.json(outlineView(context, shell)));
