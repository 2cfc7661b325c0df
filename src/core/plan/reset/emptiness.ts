import type { Shell } from '@/core/shell/model';
import type { Step } from '../step';
import { refsIn, type ResetArea } from '@/core/plan/areas/areas';

/** What is left of the areas that a plan resets, counted from a fresh reading. */
export interface Emptiness {
  readonly before: number;
  readonly left: number;
  /** Of what is left, what was meant to stay; anything else would not go. */
  readonly kept: number;
  /** Titles of what would not go, the first of them. */
  readonly stuck: readonly string[];
}

const mostNamed = 20;

/** Counts what is left of the reset areas; null for a plan that resets nothing. */
export function emptinessOf(before: Shell, after: Shell, steps: readonly Step[]): Emptiness | null {
  const areas = new Set<ResetArea>();
  const named = new Set<string>();
  for (const step of steps) {
    if (step.action !== 'reset-area') continue;
    for (const { ref, sets } of step.targets) {
      areas.add(sets.area);
      named.add(ref);
    }
  }
  if (areas.size === 0) return null;
  const [was, now] = [refsIn(before), refsIn(after)];
  const left = [...areas].flatMap((area) => now[area]);
  const stuck = left.filter((ref) => named.has(ref));
  return {
    before: [...areas].reduce((sum, area) => sum + was[area].length, 0),
    left: left.length,
    kept: left.length - stuck.length,
    stuck: stuck.slice(0, mostNamed),
  };
}
