import { actionNames } from '@/core/plan/actions/registry';
import { runPlan, type RunRules } from '@/core/plan/run-plan';
import type { Shell } from '@/core/shell/model';
import { good } from '@/core/shell/result';
import type { Connector, Operation } from '../connector';

/**
 * A shell in our own store. Operations change a value in memory; whoever opened the connector keeps `shell` when all are
 * done, in one transaction with the run. Until then nothing has happened, so a run that was cut off begins anew.
 */
export class PackageConnector implements Connector {
  readonly capabilities = new Set(actionNames);
  private readonly done = new Set<string>();

  constructor(
    private now: Shell,
    private readonly rules: RunRules,
  ) {}

  get shell(): Shell {
    return this.now;
  }

  async read() {
    return good(this.now);
  }

  async apply(operation: Operation) {
    const { after, results, changes, relinked } = runPlan(this.now, operation.steps, this.rules);
    this.now = after;
    this.done.add(operation.key);
    return good({ results, changes, relinked });
  }

  async lookUp(key: string) {
    return good(this.done.has(key) ? ('done' as const) : ('not-done' as const));
  }
}
