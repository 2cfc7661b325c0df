import { z } from 'zod';
import { drawPage } from '@/formats/report/model/draw-page';
import { drawCsv } from '@/formats/report/model/draw-table';
import { reportKinds, type Report } from '@/formats/report/model/report';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { auditOf, runOf, signOffOf } from './shell-reports';

/** Which report, as what; a run’s by its id, a table of it as CSV by its name. */
export const reportQuery = z.object({
  of: z.enum(reportKinds).default('audit'),
  as: z.enum(['html', 'csv', 'json', 'xlsx']).default('html'),
  run: z.string().nullable().default(null),
  table: z.string().nullable().default(null),
});
type ReportQuery = z.output<typeof reportQuery>;

export interface DrawnReport {
  readonly title: string;
  /** The page, the table or the report as JSON, of which a workbook is written, too. */
  readonly text: string;
}

/** A report as text; null where there is no such report, or no such table in it. */
export function drawnReport(
  folder: OpenFolder,
  shell: CurrentShell,
  search: URLSearchParams,
): DrawnReport | null {
  const query = reportQuery.safeParse(Object.fromEntries(search));
  const report = query.success ? reportOf(folder, shell, query.data) : null;
  if (!query.success || report === null) return null;
  const text = textOf(report, query.data);
  return text === null ? null : { title: report.title, text };
}

function reportOf(folder: OpenFolder, shell: CurrentShell, { of, as, run }: ReportQuery): Report | null {
  switch (of) {
    case 'audit':
      return auditOf(folder, shell, as !== 'html');
    case 'run':
      return runOf(folder, shell, run);
    case 'sign-off':
      return signOffOf(folder, shell);
  }
}

function textOf(report: Report, { as, table }: ReportQuery): string | null {
  switch (as) {
    case 'html':
      return drawPage(report);
    case 'csv':
      return drawCsv(report, table);
    case 'json':
    case 'xlsx':
      return JSON.stringify(report);
  }
}
