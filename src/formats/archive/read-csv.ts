import { parse } from 'csv-parse/sync';
import type { IntakeNote } from '@/core/shell/result';

/** A table as it is read: its first row, the others with the line that each begins on, and what is odd about it. */
export interface CsvTable {
  readonly header: readonly string[];
  readonly rows: readonly CsvRow[];
  readonly notes: readonly IntakeNote[];
}
export interface CsvRow {
  /** 1 for the first row below the header. */
  readonly row: number;
  readonly cells: readonly string[];
}

/** So many rows of a wrong length are named; the others are counted. */
const mostNamed = 20;

/** Reads a table (CSV, RFC 4180); throws where a quotation mark is missing. Rows of another length than the first one are read and told. */
export function readCsv(text: string, where: string): CsvTable {
  const table: string[][] = parse(text, {
    bom: true,
    relax_column_count: true,
    skip_empty_lines: true,
    trim: true,
  });
  const [header = [], ...lines] = table;
  const rows = lines.map((cells, i) => ({ row: i + 1, cells }));
  return { header, rows, notes: [...columnsTwice(header, where), ...oddLengths(header, rows, where)] };
}

function columnsTwice(header: readonly string[], where: string): IntakeNote[] {
  const seen = new Set<string>();
  const twice = new Set<string>();
  for (const cell of header) {
    const name = cell.toLowerCase();
    if (name !== '' && seen.has(name)) twice.add(name);
    seen.add(name);
  }
  return [...twice].map((name) => ({
    code: 'column-twice',
    message: `the column “${name}” stands twice; of each row the first cell that says something is read`,
    where,
  }));
}

function oddLengths(header: readonly string[], rows: readonly CsvRow[], where: string): IntakeNote[] {
  const odd = rows.filter(({ cells }) => cells.length !== header.length);
  const notes = odd.slice(0, mostNamed).map(({ row, cells }) => ({
    code: 'row-length',
    message: `has ${cells.length} cells and the first row ${header.length}; ${cells.length > header.length ? 'what stands behind the last column is left out' : 'the missing ones count as empty'}`,
    where: `${where}, row ${row}`,
  }));
  if (odd.length > mostNamed)
    notes.push({
      code: 'row-length',
      message: `${odd.length - mostNamed} more rows have another number of cells than the first one`,
      where,
    });
  return notes;
}
