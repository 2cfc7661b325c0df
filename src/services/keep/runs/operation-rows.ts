import { sql } from 'drizzle-orm';
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

/** A line of the ledger before anything of it is done. */
type NewOperation = Required<
  Pick<
    typeof operations.$inferInsert,
    'runId' | 'sequence' | 'key' | 'action' | 'targets' | 'titles' | 'step' | 'state' | 'at'
  >
>;

/** Writes lines of the ledger. One statement for all: building it anew for each costs more than writing. */
export function writeOperations(tx: Transaction, rows: readonly NewOperation[]): void {
  const insert = tx
    .insert(operations)
    .values({
      runId: sql.placeholder('runId'),
      sequence: sql.placeholder('sequence'),
      key: sql.placeholder('key'),
      action: sql.placeholder('action'),
      targets: sql.placeholder('targets'),
      titles: sql.placeholder('titles'),
      step: sql.placeholder('step'),
      state: sql.placeholder('state'),
      at: sql.placeholder('at'),
    })
    .prepare();
  for (const row of rows) insert.run(row);
}
