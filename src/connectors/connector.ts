import type { Edit } from '@/core/edits/edit';
import type { ActionName } from '@/core/plan/actions/registry';
import type { Shell } from '@/core/shell/model';
import type { Result } from '@/core/shell/result';

/**
 * Changes that are sent in one go, each about one thing, under a key that names them for good: sent again under the same
 * key, nothing is done twice.
 */
export interface Batch {
  readonly key: string;
  readonly edits: readonly Edit[];
}

export type EditOutcome =
  | { readonly is: 'done' }
  | {
      readonly is: 'refused';
      /** `changed`: somebody else changed it since; `gone`: it is not there; `held`: a guard over there; `unable`: can’t be done there at all. */
      readonly why: 'changed' | 'gone' | 'held' | 'unable';
      /** A sentence without its end, to stand behind a colon. */
      readonly reason: string;
    };

/** What a thing goes by over there, where that is another name than its ref here. */
export interface NameThere {
  readonly ref: string;
  readonly there: string;
}

export interface BatchOutcome {
  /** One for each edit, in order. */
  readonly outcomes: readonly EditOutcome[];
  /** Names that were given over there to what was made. */
  readonly names: readonly NameThere[];
}

/** A shell as two readings in a row agreed on it. */
export interface Reading {
  readonly shell: Shell;
  /** Edits that lead links to what was made anew: those links still name what it replaced. Most often there are none. */
  readonly mends: readonly Edit[];
}

/**
 * Where a plan is carried out: the shell in our own store, or a campus host. Everything that runs a plan knows it by
 * this interface alone. Expected trouble is a returned value; `unreachable` and `unsteady` are worth another try later.
 */
export interface Connector {
  /** The actions that it can do; steps of others go to the work order. */
  readonly capabilities: ReadonlySet<ActionName>;
  /** The shell as it stands there now, read until two readings agree. */
  read(): Promise<Result<Reading>>;
  /** Does the edits in order. One that is refused leaves the others alone. */
  carryOut(batch: Batch): Promise<Result<BatchOutcome>>;
  /** What a batch of this key came to; null where nothing of it was ever done. Asked after a process ended half-way. */
  lookUp(batch: Batch): Promise<Result<BatchOutcome | null>>;
}
