import { randomUUID } from 'node:crypto';
import { partOfStep, type Step } from '@/core/plan/step';
import { bad, type Result } from '@/core/shell/result';
import type { Transaction } from '@/store/database';
import { planSteps } from '@/store/schema';
import { findingById, findingRows, type KeptOther } from '@/services/keep/findings/kept-findings';
import type { OtherDecision } from '@/services/keep/plan/decision';
import { nextPlace } from '@/services/keep/plan/plan';

interface FindingStep {
  readonly findingId: string;
  readonly step: Step;
}
type Reader = Parameters<typeof findingById>[0];

/** The steps of such a decision; trouble where a finding offers no such thing. */
export function otherSteps(
  db: Reader,
  auditId: string,
  decision: OtherDecision,
): Result<readonly FindingStep[]> {
  switch (decision.decision) {
    case 'change-all':
      return stepsByAction(db, auditId, decision.findings, decision.action);
    case 'change': {
      const [findingId = ''] = decision.findings;
      const other = findingById(db, auditId, findingId)?.others[decision.other];
      if (!other) return bad('no-such-remedy', 'This finding has no such remedy; look at it again.');
      return { ok: true, value: [{ findingId, step: other.step }] };
    }
    case 'accept-some': {
      const [findingId = ''] = decision.findings;
      const proposed = findingById(db, auditId, findingId)?.step ?? null;
      const step = proposed && partOfStep(proposed, decision.only);
      if (!step)
        return bad('no-such-things', 'This finding’s remedy is not about these things; look at it again.');
      return { ok: true, value: [{ findingId, step }] };
    }
  }
}

/** The same other remedy of many findings: hide them all instead, say. */
function stepsByAction(
  db: Reader,
  auditId: string,
  ids: readonly string[],
  action: string,
): Result<readonly FindingStep[]> {
  const steps: FindingStep[] = [];
  for (const row of findingRows(db, auditId, ids)) {
    const others = JSON.parse(row.others) as KeptOther[];
    const other = others.find(({ step, keeps }) => step.action === action && keeps === undefined);
    if (!other) {
      const { title } = JSON.parse(row.listed) as { title: string };
      return bad('no-such-remedy', `“${title}” has no such remedy; leave it out, or look at it by itself.`);
    }
    steps.push({ findingId: row.id, step: other.step });
  }
  return { ok: true, value: steps };
}

/** Writes the steps behind what the plan has already. */
export function addOtherSteps(
  tx: Transaction,
  shellId: string,
  steps: readonly FindingStep[],
  addedAt: string,
): void {
  const first = nextPlace(tx, shellId);
  const rows = steps.map(({ findingId, step }, n) => ({
    id: randomUUID(),
    shellId,
    place: first + n,
    findingId,
    how: 'other' as const,
    action: step.action,
    step: JSON.stringify(step),
    addedAt,
  }));
  for (let at = 0; at < rows.length; at += 500)
    tx.insert(planSteps)
      .values(rows.slice(at, at + 500))
      .run();
}
