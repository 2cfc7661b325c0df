import { escapeUTF8 } from 'entities';
import { largest } from '@/core/collect';
import { urgencies, urgencyTitles, type Urgency } from '@/core/checks/finding/finding';
import { writeCsv } from '@/formats/archive/write-csv';

/** One package in a summary; trouble instead of figures where it could not be read. */
export interface SummaryRow {
  readonly package: string;
  readonly trouble: string | null;
  readonly line: {
    readonly code: string;
    readonly title: string;
    readonly items: number;
    readonly percent: number;
    readonly open: Readonly<Record<Urgency, number>>;
  } | null;
}

const header = ['Package', 'Code', 'Title', 'Items', 'Smooth', ...urgencies.map((u) => urgencyTitles[u])];
const cellsOf = ({ package: name, trouble, line }: SummaryRow): string[] =>
  line
    ? [
        name,
        line.code,
        line.title,
        String(line.items),
        `${line.percent} %`,
        ...urgencies.map((u) => String(line.open[u])),
      ]
    : [name, '', `could not be read: ${trouble}`, '', '', ...urgencies.map(() => '')];

/** Several audits as one table of plain text; findings that are part of larger ones are not counted. */
export function summaryText(rows: readonly SummaryRow[]): string {
  const cells = rows.map(cellsOf);
  // A long sentence of trouble does not widen the column for all.
  const widths = header.map((_, i) =>
    Math.min(40, largest([header, ...cells].map((row) => (row[i] ?? '').length))),
  );
  const line = (row: readonly string[]) =>
    row
      .map((c, i) => (i > 2 ? c.padStart(widths[i] ?? 0) : c.padEnd(widths[i] ?? 0)))
      .join('  ')
      .trimEnd();
  return `${[line(header), widths.map((w) => '-'.repeat(w)).join('  '), ...cells.map(line)].join('\n')}\n`;
}

export const summaryCsv = (rows: readonly SummaryRow[]): string => writeCsv([header, ...rows.map(cellsOf)]);

/** The same as a page that prints. */
export function summaryHtml(rows: readonly SummaryRow[]): string {
  const row = (cells: readonly string[], tag: 'th' | 'td') =>
    `<tr>${cells.map((c) => `<${tag}>${escapeUTF8(c)}</${tag}>`).join('')}</tr>`;
  return `<!doctype html>\n<html lang="en">\n<head>\n<meta charset="utf-8">\n<title>Audit of ${rows.length} packages</title>\n<style>body{font-family:Georgia,serif;margin:2rem;color:#221b14}table{border-collapse:collapse}th,td{border:1px solid #ded3c1;padding:4px 10px;text-align:left}td:nth-child(n+4){text-align:right}</style>\n</head>\n<body>\n<h1>Audit of ${rows.length} packages</h1>\n<table>\n<thead>${row(header, 'th')}</thead>\n<tbody>\n${rows.map((r) => row(cellsOf(r), 'td')).join('\n')}\n</tbody>\n</table>\n</body>\n</html>\n`;
}
