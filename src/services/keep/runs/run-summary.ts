import type { IncomingType } from '@/core/add/incoming';
import type { Emptiness } from '@/core/plan/reset/emptiness';
import type { RemovedCounts } from '@/core/plan/run-plan';
import type { Difference } from './differences';
import type { RunRow } from '@/services/keep/shells/current-shell';

export interface RunSummary {
  readonly done: number;
  readonly blocked: number;
  readonly nothing: number;
  readonly removed: RemovedCounts;
  readonly relinked: number;
  /** For a run that was stopped on a host: changes that were not sent any more. */
  readonly stopped?: number;
  /** On a host: in what the shell that was read back is not as rehearsed; the first of them, and how many more. */
  readonly differences?: readonly Difference[];
  readonly moreDifferences?: number;
  /** For a plan that resets: what is left of the areas that it names, by a fresh reading. */
  readonly emptiness?: Emptiness | null;
  /** For a package that was added: what came in. */
  readonly added?: Readonly<Record<IncomingType, number>>;
}

export const nothingRemoved: RemovedCounts = {
  items: 0,
  files: 0,
  events: 0,
  gradeCategories: 0,
  gradeColumns: 0,
  banks: 0,
};

export const summaryOf = (run: Pick<RunRow, 'summary'>): RunSummary =>
  run.summary === null
    ? { done: 0, blocked: 0, nothing: 0, removed: nothingRemoved, relinked: 0 }
    : (JSON.parse(run.summary) as RunSummary);
