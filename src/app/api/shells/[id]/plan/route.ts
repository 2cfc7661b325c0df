import { clearPlan } from '@/services/decide/decisions';
import { shellRoute } from '../../../shell-route';

export const DELETE = shellRoute((shell, context) => {
  clearPlan(context, shell.row.id);
  return Response.json({ cleared: true });
});
