import type { ActionName } from '@/core/plan/actions/registry';
import type { StepEdits } from '@/core/plan/split-edits';
import type { StepResult } from '@/core/plan/results';
import type { Step } from '@/core/plan/step';
import type { Shell } from '@/core/shell/model';
import type { Result } from '@/core/shell/result';

/** Steps that are done in one go, under a key that names them for good: with the same key nothing is done twice. */
export interface Operation {
  readonly key: string;
  readonly steps: readonly Step[];
}

/** What an operation came to. */
export interface OperationOutcome {
  readonly results: readonly StepResult[];
  readonly changes: readonly StepEdits[];
  readonly relinked: number;
}

/**
 * Where a plan is carried out: the shell in our own store, or a campus host. Everything that runs a plan knows it by
 * this interface alone. Expected trouble is a returned value: `code` says whether it is worth another try.
 */
export interface Connector {
  /** What it can do; the rest goes to the work order. */
  readonly capabilities: ReadonlySet<ActionName>;
  /** The shell as it stands there now. */
  read(): Promise<Result<Shell>>;
  apply(operation: Operation): Promise<Result<OperationOutcome>>;
  /** Has an operation of this key been done there? Asked after a connection broke or a process ended. */
  lookUp(key: string): Promise<Result<'done' | 'not-done'>>;
}
