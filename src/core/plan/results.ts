import { writeStep } from './written-step';
import { withTargets, type AnyTarget, type Step } from './step';

export type Outcome = 'done' | 'blocked' | 'nothing';

/** What became of a step, or of the part of it whose targets share an outcome. */
export interface StepResult {
  readonly step: Step;
  readonly outcome: Outcome;
  /** Why it was blocked or does nothing, with the way out. */
  readonly reason?: string;
  /** The titles of its targets, for the line that names them. */
  readonly titles: readonly string[];
}

/** What became of one target. */
export interface Verdict {
  readonly outcome: Outcome;
  readonly reason?: string;
}

/** A step’s results: its targets grouped by what became of them, in their order. */
export function resultsOf(
  step: Step,
  verdictOf: (target: AnyTarget) => Verdict,
  titleOf: (ref: string) => string,
): StepResult[] {
  const groups = new Map<string, { verdict: Verdict; targets: AnyTarget[] }>();
  for (const target of step.targets as readonly AnyTarget[]) {
    const verdict = verdictOf(target);
    const key = `${verdict.outcome} ${verdict.reason ?? ''}`;
    const group = groups.get(key);
    if (group) group.targets.push(target);
    else groups.set(key, { verdict, targets: [target] });
  }
  return [...groups.values()].map(({ verdict, targets }) => ({
    step: targets.length === step.targets.length ? step : withTargets(step, targets),
    outcome: verdict.outcome,
    ...(verdict.reason === undefined ? {} : { reason: verdict.reason }),
    titles: targets.map((target) => titleOf(target.ref)),
  }));
}

/** How many changes came to this outcome: each target of each action once. */
export const countChanges = (results: readonly StepResult[], outcome: Outcome): number =>
  new Set(
    results
      .filter((result) => result.outcome === outcome)
      .flatMap((result) =>
        (result.step.targets as readonly AnyTarget[]).map((t) => `${result.step.action} ${t.ref}`),
      ),
  ).size;

/** A result as files, screens and ledgers show it. */
export interface WrittenResult {
  readonly action: string;
  readonly targets: readonly string[];
  readonly params: Readonly<Record<string, unknown>>;
  readonly from: string;
  readonly outcome: Outcome;
  readonly reason?: string;
  readonly titles: readonly string[];
}

export function writeResult(result: StepResult): WrittenResult {
  const { outcome, reason, titles } = result;
  return { ...writeStep(result.step), outcome, ...(reason === undefined ? {} : { reason }), titles };
}
