import { z } from 'zod';
import type { Shell } from '@/core/shell/model';
import type { Action, Applied, Target } from '@/core/plan/action/action';
import { actionNames, actions, type ActionName } from './actions/registry';

type TargetOf<A> = A extends Action<string, infer _P, infer E, infer S> ? Target<E, S> : never;

/**
 * One change to a shell, a value: what it does, to which things, what each is and shall be, and where it came from (a
 * finding’s id, or `hand`). There is nowhere to write down a change to something that is no target.
 */
export type Step = {
  [Name in ActionName]: {
    readonly action: Name;
    readonly targets: readonly TargetOf<(typeof actions)[Name]>[];
    readonly from: string;
  };
}[ActionName];

/** An action as code that serves every one of them sees it. The schemas guard the values at the boundary. */
export type AnyAction = Action<ActionName, unknown, unknown, unknown>;
export type AnyTarget = Target<unknown, unknown>;
export const actionOf = (name: ActionName): AnyAction => actions[name] as unknown as AnyAction;

/** The step with other targets, narrowed or widened to what its action can hold. */
export const withTargets = (step: Step, targets: readonly AnyTarget[]): Step =>
  ({ ...step, targets }) as Step;

/** A step for those of its targets that are named; null where it has none of them. */
export function partOfStep(step: Step, refs: readonly string[]): Step | null {
  const wanted = new Set(refs);
  const targets = (step.targets as readonly AnyTarget[]).filter(({ ref }) => wanted.has(ref));
  return targets.length === 0 ? null : withTargets(step, targets);
}

/** Does the step’s action to some of its targets. */
export const applyAction = (shell: Shell, name: ActionName, targets: readonly AnyTarget[]): Applied =>
  actionOf(name).apply(shell, targets);

const stepSchemas = actionNames.map((name) => {
  const { expects, sets } = actions[name];
  return z.strictObject({
    action: z.literal(name),
    targets: z.array(z.strictObject({ ref: z.string(), expects: expects.nullable(), sets })),
    from: z.string(),
  });
});

/** A step as it is kept: a union by action. */
export const stepSchema = z.union(stepSchemas as unknown as [z.ZodType<Step>, z.ZodType<Step>]);
