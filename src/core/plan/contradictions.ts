import isEqual from 'fast-deep-equal';
import type { StepResult } from './results';
import type { PlanRun } from './run-plan';
import { actionOf, type AnyTarget, type Step } from './step';

/** Two steps of a plan that say different things about the same targets. */
export interface Contradiction {
  /** Places of the two steps in the plan, 0 first, in the order in which they take their turns. */
  readonly earlier: number;
  readonly later: number;
  /** Which of the two is done to what they disagree about. */
  readonly counts: 'earlier' | 'later';
  /** What they disagree about. */
  readonly refs: readonly string[];
  /** The later one deletes what the earlier one changes. */
  readonly deletes: boolean;
}

/** What a step that was done says of one thing. */
interface Said {
  readonly place: number;
  readonly step: Step;
  readonly target: AnyTarget;
}

/**
 * Where steps of a plan contradict each other, and which of the two counts: read off the run that rehearsal and carrying
 * out make of the same plan, so that none of them can say otherwise. `steps` are those of the plan in its own order.
 */
export function contradictionsIn(
  steps: readonly Step[],
  run: Pick<PlanRun, 'steps' | 'results'>,
): Contradiction[] {
  const reader = new ContradictionReader();
  const places = new Map(steps.map((step, place) => [step, place]));
  for (const [step, results] of resultsByStep(run)) reader.read(step, places.get(step) ?? 0, results);
  return reader.all();
}

/** The results of each step, in the order of the run: as many as together have the step’s targets. */
export function resultsByStep({
  steps,
  results,
}: Pick<PlanRun, 'steps' | 'results'>): ReadonlyMap<Step, readonly StepResult[]> {
  const byStep = new Map<Step, StepResult[]>();
  let at = 0;
  for (const step of steps) {
    const theirs: StepResult[] = [];
    for (let left = step.targets.length; left > 0 && at < results.length; at += 1) {
      const result = results[at];
      if (!result) break;
      theirs.push(result);
      left -= result.step.targets.length;
    }
    byStep.set(step, theirs);
  }
  return byStep;
}

class ContradictionReader {
  /** What was said last of an aspect of a thing, by a step that was done. */
  private readonly said = new Map<string, Said>();
  private readonly found = new Map<string, Contradiction>();

  read(step: Step, place: number, results: readonly StepResult[]): void {
    const { decides } = actionOf(step.action);
    for (const { outcome, step: part } of results)
      for (const target of part.targets as readonly AnyTarget[]) {
        if (outcome === 'done' && step.action === 'delete') this.noteDeleted(place, target.ref);
        if (decides === undefined) continue;
        const key = `${decides} ${target.ref}`;
        const before = this.said.get(key);
        const isOther = before !== undefined && !saysTheSame(before, step, target);
        if (outcome === 'done') {
          if (isOther) this.note(before.place, place, target.ref, 'later', false);
          this.said.set(key, { place, step, target });
        } else if (outcome === 'blocked' && isOther)
          this.note(before.place, place, target.ref, 'earlier', false);
      }
  }

  all(): Contradiction[] {
    return [...this.found.values()].sort((a, b) => a.earlier - b.earlier || a.later - b.later);
  }

  private noteDeleted(place: number, ref: string): void {
    for (const before of this.said.values())
      if (before.target.ref === ref) this.note(before.place, place, ref, 'later', true);
  }

  private note(
    earlier: number,
    later: number,
    ref: string,
    counts: Contradiction['counts'],
    deletes: boolean,
  ): void {
    const key = `${earlier} ${later} ${counts}`;
    const refs = this.found.get(key)?.refs ?? [];
    if (!refs.includes(ref)) this.found.set(key, { earlier, later, counts, refs: [...refs, ref], deletes });
  }
}

const saysTheSame = (before: Said, step: Step, target: AnyTarget): boolean =>
  before.step.action === step.action && isEqual(before.target.sets, target.sets);
