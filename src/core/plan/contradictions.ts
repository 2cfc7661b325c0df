import isEqual from 'fast-deep-equal';
import type { ActionName } from './actions/registry';
import type { AnyTarget, Step } from './step';

/** Two steps of a plan that say different things about the same targets. */
export interface Contradiction {
  /** Places of the two steps in the plan, 0 first; the later one counts. */
  readonly earlier: number;
  readonly later: number;
  /** What they disagree about. */
  readonly refs: readonly string[];
  /** The later one deletes what the earlier one changes. */
  readonly deletes: boolean;
}

/** What each action decides about its target: two that decide the same thing may contradict each other. */
const decides: Readonly<Partial<Record<ActionName, string>>> = {
  hide: 'sight',
  show: 'sight',
  move: 'place',
  place: 'place',
  'lift-out': 'place',
  'set-aside': 'place',
  rename: 'title',
  're-date': 'dates',
  'clear-dates': 'dates',
  'set-points': 'points',
  'set-category': 'category',
  'file-access': 'access',
  'set-facts': 'facts',
};

interface Said {
  readonly step: number;
  readonly action: ActionName;
  readonly target: AnyTarget;
}

/** Where steps of a plan contradict each other: none of it is resolved in silence. */
export function contradictionsIn(steps: readonly Step[]): Contradiction[] {
  const said = new Map<string, Said>();
  const found = new Map<string, Contradiction>();
  const note = ({ step: earlier }: Said, later: number, ref: string, deletes: boolean) => {
    const key = `${earlier} ${later}`;
    const known = found.get(key);
    found.set(key, { earlier, later, refs: [...(known?.refs ?? []), ref], deletes });
  };
  steps.forEach((step, place) => {
    const what = decides[step.action];
    if (what === undefined) return;
    for (const target of step.targets as readonly AnyTarget[]) {
      const key = `${what} ${target.ref}`;
      const before = said.get(key);
      const isSame = before?.action === step.action && isEqual(before.target.sets, target.sets);
      if (before && !isSame) note(before, place, target.ref, false);
      said.set(key, { step: place, action: step.action, target });
    }
  });
  const deletedBy = new Map<string, number>();
  steps.forEach((step, place) => {
    if (step.action === 'delete') for (const { ref } of step.targets) deletedBy.set(ref, place);
  });
  for (const [key, before] of said) {
    const ref = key.slice(key.indexOf(' ') + 1);
    const place = deletedBy.get(ref);
    if (place !== undefined) note(before, place, ref, true);
  }
  return [...found.values()].sort((a, b) => a.earlier - b.earlier || a.later - b.later);
}
