import type { ListedFinding } from '@/core/checks/finding/finding';
import { findingRows } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import type { PlanRow } from '@/services/keep/plan/plan';

/** The finding that asked for a step. */
export interface AskingFinding {
  readonly id: string;
  readonly title: string;
}

/** Tells which finding is behind each step of a plan; null for steps by hand. */
export function findingsBehind(
  folder: OpenFolder,
  shell: CurrentShell,
  rows: readonly PlanRow[],
): (row: PlanRow) => AskingFinding | null {
  const ids = rows.flatMap(({ findingId }) => (findingId === null ? [] : [findingId]));
  const found = shell.audit ? findingRows(folder.db, shell.audit.id, ids) : [];
  const titles = new Map(found.map((row) => [row.id, (JSON.parse(row.listed) as ListedFinding).title]));
  return ({ findingId: id }) =>
    id === null ? null : { id, title: titles.get(id) ?? 'a finding of an earlier combing' };
}
