import { tryEdits } from '@/core/edits/apply-edits';
import type { Edit } from '@/core/edits/edit';
import { joinEdits } from '@/core/edits/single-edits';
import { actionNames } from '@/core/plan/actions/registry';
import type { Shell } from '@/core/shell/model';
import { good } from '@/core/shell/result';
import type { Batch, BatchOutcome, Connector, EditOutcome } from '../connector';

/**
 * A shell in our own store. Batches change a value in memory; whoever opened the connector keeps `shell` when all are
 * done, in one transaction with the run. Until then nothing has happened, so a run that was cut off begins anew.
 */
export class PackageConnector implements Connector {
  readonly capabilities = new Set(actionNames);
  private readonly done = new Map<string, BatchOutcome>();

  constructor(private now: Shell) {}

  get shell(): Shell {
    return this.now;
  }

  async read() {
    return good({ shell: this.now, mends: [] });
  }

  async carryOut({ key, edits }: Batch) {
    const known = this.done.get(key);
    if (known) return good(known);
    const outcome: BatchOutcome = { outcomes: this.doAll(edits) ?? this.doEach(edits), names: [] };
    this.done.set(key, outcome);
    return good(outcome);
  }

  async lookUp({ key }: Batch) {
    return good(this.done.get(key) ?? null);
  }

  /** All of them at once; null where one of them does not fit. */
  private doAll(edits: readonly Edit[]): EditOutcome[] | null {
    const next = tryEdits(this.now, joinEdits(edits));
    if (!next.ok) return null;
    this.now = next.value;
    return edits.map(() => ({ is: 'done' }));
  }

  private doEach(edits: readonly Edit[]): EditOutcome[] {
    return edits.map((edit): EditOutcome => {
      const next = tryEdits(this.now, [edit]);
      if (!next.ok) return { is: 'refused', why: 'changed', reason: next.trouble.message };
      this.now = next.value;
      return { is: 'done' };
    });
  }
}
