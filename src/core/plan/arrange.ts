import { phases } from './actions/action';
import { actionOf, type Step } from './step';

/**
 * The one order in which a plan is applied, by rehearsal, run and undo alike: what the shell says of itself; what is
 * added; links and texts; everything else as it stands in the list; deletions last, all of them together. Inside a
 * phase the list’s own order counts.
 */
export const arrange = (steps: readonly Step[]): readonly Step[] =>
  phases.flatMap((phase) => steps.filter((step) => actionOf(step.action).phase === phase));
