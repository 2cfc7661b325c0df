import { writeCsv } from '../../archive/write-csv';
import type { Report } from './report';

/** One table of a report as CSV (RFC 4180), the first where none is named; null where the report has no such table. */
export function drawCsv({ tables }: Report, id: string | null): string | null {
  const table = id === null ? tables[0] : tables.find((one) => one.id === id);
  return table ? writeCsv([table.columns, ...table.rows.map((row) => row.map(String))]) : null;
}
