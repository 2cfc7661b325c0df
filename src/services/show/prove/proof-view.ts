import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { inventoryOf, runsOf, type CurrentShell } from '@/services/keep/shells/current-shell';
import { compareRun, type Comparison } from './comparison';
import { progressOf, type ProgressPoint } from './progress';

/** What the Prove stage shows: whether the shell is clean, and what the last run did to it. */
export interface ProofView {
  readonly id: string;
  readonly combed: boolean;
  readonly percent: number | null;
  readonly open: number;
  readonly hasRun: boolean;
  readonly hasEvents: boolean;
  readonly hasGrades: boolean;
  readonly comparison: Comparison | null;
  /** How it stood before each run, and now. */
  readonly progress: readonly ProgressPoint[];
}

export function proofView(folder: OpenFolder, shell: CurrentShell): ProofView {
  const last = runsOf(folder, shell.row.id).find((run) => run.state === 'done');
  const { counts } = inventoryOf(shell.version);
  return {
    id: shell.row.id,
    combed: shell.audit !== null,
    percent: shell.smoothness?.percent ?? null,
    open: shell.audit?.tally.total ?? 0,
    hasRun: last !== undefined,
    hasGrades: counts.gradeCategories + counts.gradeColumns > 0,
    hasEvents: counts.events > 0,
    comparison: last ? compareRun(folder, shell, last) : null,
    progress: progressOf(folder, shell),
  };
}
