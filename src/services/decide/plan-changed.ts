import { bad } from '@/core/shell/result';

/** What is told where a plan is not the one any more that was looked at. */
export const planChanged = () =>
  bad('plan-changed', 'The plan changed in the meantime; look at it as it is now and edit it again.');
