import { phases } from '@/core/plan/action/action';
import { actionOf, type Step } from './step';

/**
 * The one order in which a plan is applied, by rehearsal, run and undo alike: what the shell says of itself; what is
 * added; links and texts; everything else as it stands in the list; deletions last, all of them together. Inside a
 * phase the list’s own order counts. A step about nothing, such as a reset of an empty area, is none.
 */
export const arrange = (steps: readonly Step[]): readonly Step[] =>
  phases.flatMap((phase) =>
    steps.filter((step) => step.targets.length > 0 && actionOf(step.action).phase === phase),
  );
