import type { ListedFinding } from '@/core/checks/finding/finding';
import { actionOf } from '@/core/plan/step';
import { actionNamed } from '@/core/plan/written-step';
import { plural } from '@/core/text/plural';

/** The things that a finding’s remedy can be taken for one by one; none where it is about one thing, or about all at once. */
export function divisibleTargets({ remedy }: ListedFinding): readonly string[] {
  if (!remedy || remedy.targets.length < 2) return [];
  const name = actionNamed({ action: remedy.action, params: { ...remedy.params } });
  return name !== null && actionOf(name).isDivisible === true ? remedy.targets : [];
}

/** The words of the button that takes a finding's remedy; it says how many things it touches. */
export function remedyWords({ remedy }: ListedFinding, spared = 0): string | null {
  if (!remedy) return null;
  if (remedy.params.questions) return `Delete ${plural(remedy.params.questions.length, 'question')}`;
  const all = remedy.targets.length;
  const count = spared > 0 ? `${all - spared} of ${all}` : String(all);
  return `${actionOf(remedy.action).label} ${count}`;
}
