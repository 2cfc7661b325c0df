import { runPlan } from '@/core/plan/run-plan';
import type { AnyTarget, Step } from '@/core/plan/step';
import type { Shell } from '@/core/shell/model';

/** What a step would come to by itself, told before anything is rehearsed. */
export interface StepTrial {
  /** How many of its targets it would change. */
  readonly done: number;
  /** Those that a guard holds back, by the reason with its way out. */
  readonly held: readonly { readonly reason: string; readonly titles: readonly string[] }[];
  /** How many are so already. */
  readonly nothing: number;
}

/** Tries a step on a shell; `possible` are the refs of the targets that it would change, `after` the shell then. */
export function tryStep(
  shell: Shell,
  step: Step,
  keyMarks: readonly string[],
): { readonly trial: StepTrial; readonly possible: readonly string[]; readonly after: Shell } {
  const { results, after } = runPlan(shell, [step], { keyMarks });
  const done = results.filter((result) => result.outcome === 'done');
  const possible = done.flatMap(({ step: part }) =>
    (part.targets as readonly AnyTarget[]).map(({ ref }) => ref),
  );
  const nothing = results.filter((result) => result.outcome === 'nothing');
  const held = results.filter((result) => result.outcome === 'blocked');
  return {
    possible,
    after,
    trial: {
      done: possible.length,
      nothing: nothing.reduce((sum, { titles }) => sum + titles.length, 0),
      held: held.map(({ reason, titles }) => ({ reason: reason ?? 'it is held back', titles })),
    },
  };
}
