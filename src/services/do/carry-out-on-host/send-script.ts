import type { BatchOutcome, Connector, EditOutcome } from '@/connectors/connector';
import { good, type Result } from '@/core/shell/result';
import type { ScriptBatch } from '@/services/keep/runs/run-script';
import type { KnownBatch, RunEntry, StepState, Wish } from './run-task';

export interface Sent {
  /** What became of each line that was sent, batch by batch. */
  readonly outcomes: readonly (readonly EditOutcome[])[];
  /** Why it ended before its last batch; `go` where it did not. */
  readonly wish: Wish;
}

/**
 * Sends the batches of a run one after another, each written down before and after. One that was sent when the process
 * ended is looked up first, so that nothing is done twice; between two batches the operator’s wish is looked at.
 */
export class ScriptSender {
  private readonly outcomes: (readonly EditOutcome[])[] = [];
  private readonly lastBatchOf: ReadonlyMap<number, number>;
  private readonly refusals = new Map<number, string>();

  constructor(
    private readonly connector: Connector,
    private readonly batches: readonly ScriptBatch[],
    private readonly note: (entry: RunEntry) => Promise<Wish>,
    private readonly progress: (done: number, total: number) => void,
  ) {
    const last = new Map<number, number>();
    batches.forEach(({ lines }, number) => {
      for (const { steps } of lines) for (const step of steps) last.set(step, number);
    });
    this.lastBatchOf = last;
  }

  async send(known: readonly KnownBatch[], begunWith: Wish): Promise<Result<Sent>> {
    let wish = begunWith;
    for (const [number, batch] of this.batches.entries()) {
      const before = known[number];
      this.progress(number, this.batches.length);
      if (before?.state === 'done' && before.outcomes) {
        this.take(number, before.outcomes);
        continue;
      }
      if (wish !== 'go' && before?.state !== 'sent') return good({ outcomes: this.outcomes, wish });
      const done = await this.sendOne(number, batch, before?.state === 'sent');
      if (!done.ok) return done;
      const { outcomes, names } = done.value;
      this.take(number, outcomes);
      wish = await this.note({ is: 'done', number, outcomes, names, steps: this.ended(number) });
    }
    return good({ outcomes: this.outcomes, wish: 'go' });
  }

  private async sendOne(
    number: number,
    batch: ScriptBatch,
    mayBeDone: boolean,
  ): Promise<Result<BatchOutcome>> {
    if (mayBeDone) {
      const known = await this.connector.lookUp(batch);
      if (!known.ok) return known;
      if (known.value) return good(known.value);
    }
    const steps = [...new Set(batch.lines.flatMap((line) => line.steps))];
    const doing = steps.map((sequence): StepState => ({ sequence, state: 'doing', reason: null }));
    await this.note({ is: 'sending', number, steps: doing });
    return this.connector.carryOut(batch);
  }

  private take(number: number, outcomes: readonly EditOutcome[]): void {
    this.outcomes.push(outcomes);
    const lines = this.batches[number]?.lines ?? [];
    lines.forEach(({ steps }, at) => {
      const outcome = outcomes[at];
      if (outcome?.is !== 'refused') return;
      for (const step of steps) if (!this.refusals.has(step)) this.refusals.set(step, outcome.reason);
    });
  }

  /** The steps of which this batch did the last. */
  private ended(number: number): StepState[] {
    const steps = new Set(this.batches[number]?.lines.flatMap((line) => line.steps) ?? []);
    return [...steps]
      .filter((step) => this.lastBatchOf.get(step) === number)
      .map((sequence) => {
        const reason = this.refusals.get(sequence) ?? null;
        return { sequence, state: reason === null ? 'done' : 'failed', reason };
      });
  }
}
