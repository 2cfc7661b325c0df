import type { ListedFinding } from '@/core/checks/finding';
import { refsOf } from '@/core/plan/refs-of-shell';
import { actionOf, type AnyTarget } from '@/core/plan/step';
import { findingRows } from '../comb/kept-findings';
import type { Context } from '../context';
import type { CurrentShell } from '../shells/current-shell';
import { bareShellOf } from '../shells/subject-detail';
import { planOf, type PlanRow } from './plan';

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
export function planList(context: Context, shell: CurrentShell): PlanLine[] {
  const rows = planOf(context.db, shell.row.id);
  if (rows.length === 0) return [];
  const titles = refsOf(bareShellOf(context, shell));
  const findingIds = rows.flatMap(({ findingId }) => (findingId === null ? [] : [findingId]));
  const found = shell.audit ? findingRows(context.db, shell.audit.id, findingIds) : [];
  const findingTitles = new Map(
    found.map((row) => [row.id, (JSON.parse(row.listed) as ListedFinding).title]),
  );
  const fromOf = ({ findingId }: PlanRow): string => {
    if (findingId === null) return 'by hand';
    return findingTitles.get(findingId) ?? 'a finding of an earlier combing';
  };
  return rows.map((row, n) => {
    const targets = row.step.targets as readonly AnyTarget[];
    return {
      id: row.id,
      place: n + 1,
      what: actionOf(row.step.action).label,
      count: targets.length,
      things: targets.slice(0, mostTitles).map(({ ref }) => titles.titleOf(ref)),
      from: fromOf(row),
    };
  });
}
