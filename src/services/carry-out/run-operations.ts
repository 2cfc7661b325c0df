import { append } from '@/core/collect';
import type { Connector, Operation, OperationOutcome } from '@/connectors/connector';
import { batchesOf } from '@/core/plan/batches';
import type { StepEdits } from '@/core/plan/split-edits';
import type { StepResult } from '@/core/plan/results';
import type { Step } from '@/core/plan/step';
import { bad, good, type Result } from '@/core/shell/result';

export interface OperationsRun {
  readonly results: readonly StepResult[];
  /** Every change, with the places of its steps in the run’s list. */
  readonly changes: readonly StepEdits[];
  readonly relinked: number;
}

/** The operations of a run: its steps in order, those that belong together in one go, each under a key of its own. */
export const operationsOf = (runId: string, steps: readonly Step[]): Operation[] =>
  batchesOf(steps).map((batch, n) => ({ key: `${runId}:${n}`, steps: batch }));

/**
 * Carries operations out through a connector, one after another. What was done before under the same key is left alone.
 * Trouble `not-as-rehearsed` where a step does not come out as the rehearsal said: nothing more is done then.
 */
export async function runOperations(
  connector: Connector,
  operations: readonly Operation[],
  progress: (done: number, total: number, doing: string) => void,
): Promise<Result<OperationsRun>> {
  const results: StepResult[] = [];
  const changes: StepEdits[] = [];
  let relinked = 0;
  let first = 0;
  for (const [n, operation] of operations.entries()) {
    progress(n, operations.length, `Carrying out step ${first + 1}`);
    const outcome = await doOnce(connector, operation);
    if (!outcome.ok) return outcome;
    if (outcome.value) {
      const differs = outcome.value.results.find((result) => result.outcome !== 'done');
      if (differs)
        return bad(
          'not-as-rehearsed',
          `“${differs.titles[0] ?? ''}” does not come out as in the rehearsal (${differs.reason ?? differs.outcome}), so nothing was changed; rehearse the plan again.`,
        );
      append(results, outcome.value.results);
      relinked += outcome.value.relinked;
      for (const change of outcome.value.changes)
        changes.push({ ...change, steps: change.steps.map((step) => first + step) });
    }
    first += operation.steps.length;
  }
  return good({ results, changes, relinked });
}

/** Null where it was done already. */
async function doOnce(connector: Connector, operation: Operation): Promise<Result<OperationOutcome | null>> {
  const known = await connector.lookUp(operation.key);
  if (!known.ok) return known;
  return known.value === 'done' ? good(null) : connector.apply(operation);
}
