import { refsOf } from '@/core/plan/action/refs-of-shell';
import { actionOf, type AnyTarget } from '@/core/plan/step';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { bareShellOf } from '@/services/keep/shells/subject-detail';
import { findingsBehind } from '@/services/do/decide/findings-behind';
import { planOf } from '@/services/keep/plan/plan';

/** One step of the plan as its list shows it. */
export interface PlanLine {
  readonly id: string;
  /** Its place in the plan, 1 first. */
  readonly place: number;
  readonly what: string;
  readonly count: number;
  /** The titles of the first things it is about. */
  readonly things: readonly string[];
  /** The finding that asked for it, or that a person did. */
  readonly from: string;
}

const mostTitles = 3;

/** The plan, step by step, in its order. */
export function planList(folder: OpenFolder, shell: CurrentShell): PlanLine[] {
  const rows = planOf(folder.db, shell.row.id);
  if (rows.length === 0) return [];
  const titles = refsOf(bareShellOf(folder, shell));
  const askedBy = findingsBehind(folder, shell, rows);
  return rows.map((row, n) => {
    const targets = row.step.targets as readonly AnyTarget[];
    return {
      id: row.id,
      place: n + 1,
      what: actionOf(row.step.action).label,
      count: targets.length,
      things: targets.slice(0, mostTitles).map(({ ref }) => titles.titleOf(ref)),
      from: askedBy(row)?.title ?? 'by hand',
    };
  });
}
