import type { Family } from '@/core/checks/finding/finding';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { runNumbers } from '@/services/keep/runs/run-numbers';
import { findAudit, runsOf, type AuditHead, type CurrentShell } from '@/services/keep/shells/current-shell';

/** How the shell stood at one moment of its cleaning. */
export interface ProgressPoint {
  /** “before run 2”, “now”. */
  readonly when: string;
  readonly percent: number;
  readonly open: Readonly<Record<Family, number>>;
}

/** How smooth the shell was before each run and is now, as far as it was combed then; oldest first. */
export function progressOf(folder: OpenFolder, shell: CurrentShell): readonly ProgressPoint[] {
  const numbers = runNumbers(folder, shell.row.id);
  const before = runsOf(folder, shell.row.id)
    .reverse()
    .flatMap((run): ProgressPoint[] => {
      const audit = run.auditBefore === null ? null : findAudit(folder, run.auditBefore);
      return audit ? [pointOf(`before run ${numbers.get(run.id) ?? 0}`, audit)] : [];
    });
  return shell.audit ? [...before, pointOf('now', shell.audit)] : before;
}

const pointOf = (when: string, { tally }: AuditHead): ProgressPoint => ({
  when,
  percent: tally.smoothness.percent,
  open: tally.open,
});
