import type { Batch, BatchOutcome, Connector } from '@/connectors/connector';
import type { ScriptLine } from '@/core/plan/script';
import { good, type Result } from '@/core/shell/result';

/** Most changes in one batch: what a host takes in one request. */
export const batchSize = 100;

/** A part of a run’s script that is sent in one go. */
export interface ScriptBatch extends Batch {
  readonly lines: readonly ScriptLine[];
}

/** A script cut into batches, each under a key of the run’s. */
export function batchesOfScript(runId: string, script: readonly ScriptLine[]): ScriptBatch[] {
  const batches: ScriptBatch[] = [];
  for (let at = 0; at < script.length; at += batchSize) {
    const lines = script.slice(at, at + batchSize);
    batches.push({ key: `${runId}:${batches.length}`, lines, edits: lines.map(({ edit }) => edit) });
  }
  return batches;
}

/** Sends batches through a connector, one after another, until one does not go through. */
export async function runScript(
  connector: Connector,
  batches: readonly ScriptBatch[],
  progress: (done: number, total: number, doing: string) => void,
): Promise<Result<readonly BatchOutcome[]>> {
  const outcomes: BatchOutcome[] = [];
  for (const [n, batch] of batches.entries()) {
    progress(n, batches.length, 'Carrying out');
    const outcome = await connector.carryOut(batch);
    if (!outcome.ok) return outcome;
    outcomes.push(outcome.value);
  }
  return good(outcomes);
}
