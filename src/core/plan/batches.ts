import { actionOf, type AnyTarget, type Step } from './step';

/** Steps that follow each other and may be done in one go. A target that stands twice is left to the later batch. */
export function batchesOf(steps: readonly Step[]): Step[][] {
  const batches: Step[][] = [];
  let named = new Set<string>();
  for (const step of steps) {
    const action = actionOf(step.action);
    const refs = (step.targets as readonly AnyTarget[]).map((target) => target.ref);
    const batch = batches.at(-1);
    const isAlike = batch?.[0]?.action === step.action && action.joins === true;
    const isFree = action.phase === 'delete' || !refs.some((ref) => named.has(ref));
    if (batch && isAlike && isFree) batch.push(step);
    else {
      batches.push([step]);
      named = new Set();
    }
    for (const ref of refs) named.add(ref);
  }
  return batches;
}
