import { planDrawer } from '@/services/decide/plan-drawer';
import { shellRoute } from '../../../../shell-route';

/** The plan by place, each step with what would become of it. */
export const GET = shellRoute((shell, context) => Response.json(planDrawer(context, shell)));
