import type { AnyTarget, Step } from '@/core/plan/step';
import { writeStep } from '@/core/plan/written-step';
import type { Transaction } from '@/store/database';
import { operations } from '@/store/schema';

/** Writes a run’s steps into the ledger before anything is done; those from `firstByHand` on are left to the operator’s hands. */
export function insertOperations(
  tx: Transaction,
  runId: string,
  steps: readonly Step[],
  titles: ReadonlyMap<string, string>,
  now: string,
  firstByHand = steps.length,
): void {
  const rows = steps.map((step, sequence) => {
    const targets = step.targets as readonly AnyTarget[];
    return {
      runId,
      sequence,
      key: `${runId}:${sequence}`,
      action: writeStep(step).action,
      targets: JSON.stringify(targets.map((target) => target.ref)),
      titles: JSON.stringify(targets.map((target) => titles.get(target.ref) ?? target.ref)),
      step: JSON.stringify(step),
      state: sequence < firstByHand ? ('waiting' as const) : ('by-hand' as const),
      at: now,
    };
  });
  writeOperations(tx, rows);
}

/** Writes lines of the ledger, however many. */
export function writeOperations(tx: Transaction, rows: readonly (typeof operations.$inferInsert)[]): void {
  for (let at = 0; at < rows.length; at += 500)
    tx.insert(operations)
      .values(rows.slice(at, at + 500))
      .run();
}
