import type { Shell } from '@/core/shell/model';
import { diffShells } from '@/core/edits/diff-shells';
import { digest } from '@/core/refs/digest';
import type { StepResult } from './results';
import { runPlan, type PlanRun, type RunRules } from './run-plan';
import { actionOf, withTargets, type AnyTarget, type Step } from './step';

/**
 * The steps that really do something, said in the shortest way: what is blocked or does nothing is left out, a deletion
 * swallows what was done to its target before, of two moves the last is left. Nothing is left out or shortened where the
 * shell would come out otherwise: each shorter way is run on its own first.
 */
export function normalise(shell: Shell, run: PlanRun, rules: RunRules): readonly Step[] {
  const done = run.results.filter(isDone).map((result) => result.step);
  const comesToTheSame = (steps: readonly Step[]): boolean => {
    const again = runPlan(shell, steps, rules);
    return again.results.every(isDone) && !diffShells(again.after, run.after).length;
  };
  const shorter = shorten(done);
  if (shorter !== done && comesToTheSame(shorter)) return shorter;
  const isWhole = done.length === run.results.length;
  return isWhole || comesToTheSame(done) ? done : run.steps;
}

const isDone = ({ outcome }: StepResult): boolean => outcome === 'done';

function shorten(steps: readonly Step[]): readonly Step[] {
  const deleted = new Set<string>();
  const said = new Map<string, Step>();
  const expected = new Map<string, unknown>();
  let isShorter = false;
  const kept = [...steps].reverse().flatMap((step): Step[] => {
    const targets = (step.targets as readonly AnyTarget[]).filter(({ ref, expects }) => {
      const { decides, isSetting, lastCounts } = actionOf(step.action);
      const key = `${decides} ${ref}`;
      const swallowed = isSetting === true && deleted.has(ref);
      const overtaken = lastCounts === true && said.has(key);
      if (overtaken) expected.set(key, expects);
      if (step.action === 'delete') deleted.add(ref);
      if (!swallowed && !overtaken && lastCounts === true) said.set(key, step);
      return !swallowed && !overtaken;
    });
    if (targets.length < step.targets.length) isShorter = true;
    return targets.length ? [withTargets(step, targets)] : [];
  });
  return isShorter ? kept.reverse().map((step) => expecting(step, expected)) : steps;
}

/** What an earlier step on the same thing expected, this one expects now. */
function expecting(step: Step, expected: ReadonlyMap<string, unknown>): Step {
  const targets = (step.targets as readonly AnyTarget[]).map((target) => {
    const { decides, lastCounts } = actionOf(step.action);
    const key = `${decides} ${target.ref}`;
    return lastCounts === true && expected.has(key) ? { ...target, expects: expected.get(key) } : target;
  });
  return withTargets(step, targets);
}

/** Names exactly these steps for exactly this state of a shell: what was rehearsed is what is carried out. */
export const sealOf = (steps: readonly Step[], version: string): string =>
  digest(JSON.stringify([version, steps])).slice(0, 32);
