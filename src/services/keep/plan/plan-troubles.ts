import { bad } from '@/core/shell/result';

/** What is told where a plan is not the one any more that was looked at. */
export const planChanged = () =>
  bad('plan-changed', 'The plan changed in the meantime; look at it as it is now and edit it again.');

/** What is told where a shell was removed while something was worked out about it. */
export const shellGone = () =>
  bad('shell-gone', 'This shell is not here any more; go back to the list of shells.');
