import { urgencies, type Urgency } from '@/core/checks/finding/finding';
import { partsOf } from '@/core/checks/finding/parts';
import { nameOfShell } from '@/core/shell/name-of-shell';
import { summaryCsv, summaryHtml, type SummaryRow } from '@/formats/report/audit-summary';
import { listedFindings } from '@/services/keep/findings/kept-findings';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { courseOf } from '@/services/keep/rows/course';
import type { CurrentShell } from '@/services/keep/shells/current-shell';

export const summaryForms = ['html', 'csv', 'json'] as const;
export type SummaryForm = (typeof summaryForms)[number];

/** Several shells as one table: size, smoothness and what is open, by urgency. */
export function writeSummary(
  folder: OpenFolder,
  shells: readonly CurrentShell[],
  form: SummaryForm,
): { readonly type: string; readonly text: string } {
  const rows = shells.map((shell) => rowOf(folder, shell));
  switch (form) {
    case 'html':
      return { type: 'text/html; charset=utf-8', text: summaryHtml(rows) };
    case 'csv':
      return { type: 'text/csv; charset=utf-8', text: summaryCsv(rows) };
    case 'json':
      return {
        type: 'application/json',
        text: `${JSON.stringify({ schema: 'currycomb.summary/1', shells: rows }, null, 2)}\n`,
      };
  }
}

function rowOf({ db }: OpenFolder, { row, audit }: CurrentShell): SummaryRow {
  const name = nameOfShell(row);
  if (!audit) return { package: name, trouble: 'it was not combed yet', line: null };
  const open = listedFindings(db, audit.id, courseOf(row), 'open');
  const parts = partsOf(open);
  const shown = open.filter((finding) => !parts.has(finding));
  return {
    package: name,
    trouble: null,
    line: {
      code: row.code,
      title: row.title,
      items: audit.counts.items,
      percent: audit.tally.smoothness.percent,
      open: Object.fromEntries(
        urgencies.map((urgency) => [urgency, shown.filter((one) => one.urgency === urgency).length]),
      ) as Record<Urgency, number>,
    },
  };
}
