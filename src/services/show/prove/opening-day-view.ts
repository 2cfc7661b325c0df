import { partsOf } from '@/core/checks/finding/parts';
import { allChecks } from '@/core/checks/run/registry';
import { openingDay, type OpeningAnswer } from '@/core/opening-day/opening-day';
import { listedFindings } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { courseOf } from '@/services/keep/rows/course';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

/** The opening-day list of a shell, as its audit answers it. */
export interface OpeningDayView {
  readonly id: string;
  readonly title: string;
  /** When the shell was combed; null where nothing was asked yet. */
  readonly askedAt: string | null;
  readonly answers: readonly OpeningAnswer[];
  /** Checks whose open findings are all explained by larger ones: they stand in a list of their own. */
  readonly inParts: readonly string[];
}

export function openingDayView({ db }: OpenFolder, { row, audit }: CurrentShell): OpeningDayView {
  const findings = audit ? listedFindings(db, audit.id, courseOf(row), 'open') : [];
  const parts = partsOf(findings);
  const open = new Map<string, number>();
  for (const { check } of findings) open.set(check, (open.get(check) ?? 0) + 1);
  const whole = new Set<string>(findings.filter((one) => !parts.has(one)).map(({ check }) => check));
  const titles = new Map<string, string>(allChecks.map(({ id, title }) => [id, title]));
  return {
    id: row.id,
    title: row.title,
    askedAt: audit?.combedAt ?? null,
    answers: openingDay(audit?.checks ?? [], open, (check) => titles.get(check) ?? 'Dead links'),
    inParts: [...open.keys()].filter((check) => !whole.has(check)),
  };
}
