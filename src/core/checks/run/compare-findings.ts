import type { CheckId } from '@/core/checks/finding/finding';
import type { Audit } from './run-checks';

/** What other rules would change for one check: findings that would come and go, and those whose urgency would change. */
export interface RuleEffect {
  readonly check: CheckId;
  readonly come: number;
  readonly go: number;
  readonly reranked: number;
}

/** The effect of other rules on a shell, check by check; only checks that change are named. */
export function ruleEffects(now: Audit, then: Audit): RuleEffect[] {
  const before = new Map(now.findings.map((f) => [f.id, f]));
  const after = new Map(then.findings.map((f) => [f.id, f]));
  const effects = new Map<CheckId, { come: number; go: number; reranked: number }>();
  const at = (check: CheckId) => {
    const known = effects.get(check) ?? { come: 0, go: 0, reranked: 0 };
    effects.set(check, known);
    return known;
  };
  for (const [id, f] of after) {
    const old = before.get(id);
    if (!old) at(f.check).come += 1;
    else if (old.urgency !== f.urgency) at(f.check).reranked += 1;
  }
  for (const [id, f] of before) if (!after.has(id)) at(f.check).go += 1;
  return [...effects].map(([check, e]) => ({ check, ...e })).sort((a, b) => (a.check < b.check ? -1 : 1));
}
