import { entryOf } from '@/core/entries';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { clipTitle } from '@/core/text/clip';
import { readCsv, UnreadableTable, type CsvTable } from '../archive/read-csv';
import { statusColumns, type StatusColumn } from './columns';

export interface StatusRow {
  /** 1 for the first row below the header. */
  readonly row: number;
  readonly cells: Readonly<Partial<Record<StatusColumn, string>>>;
}
export interface StatusSheet {
  readonly rows: readonly StatusRow[];
  readonly notes: readonly IntakeNote[];
}

/** What columns under other names mean, by the name in small letters; null for one that is left alone on purpose. */
export type ColumnMeanings = Readonly<Record<string, StatusColumn | null>>;

/** Reads a status sheet (CSV, RFC 4180; UTF-8 with or without byte-order mark). An empty cell means "not known". */
export function readStatusSheet(
  text: string,
  name: string,
  meanings: ColumnMeanings = {},
): Result<StatusSheet> {
  let table: CsvTable;
  try {
    table = readCsv(text, name);
  } catch (error) {
    if (!(error instanceof UnreadableTable)) throw error;
    return bad('sheet-unreadable', `“${name}” ${error.message}.`);
  }
  const header = table.header.map((cell) => cell.trim().toLowerCase());
  const known = header.map((cell) =>
    Object.hasOwn(meanings, cell)
      ? (entryOf(meanings, cell) ?? null)
      : (statusColumns.find((c) => c === cell) ?? null),
  );
  if (!known.includes('ref') && !known.includes('title'))
    return bad(
      'sheet-without-ref',
      `“${name}” has neither a column “ref” nor a column “title” in its first row, so no row can be matched; see docs/status-sheet.md.`,
    );
  const notes: IntakeNote[] = [...table.notes];
  header.forEach((cell, i) => {
    if (known[i] === null && cell !== '' && !Object.hasOwn(meanings, cell))
      notes.push({
        code: 'unknown-column',
        message: `the column “${clipTitle(cell)}” is not known and is left alone`,
        where: name,
      });
  });
  const rows = table.rows.map(({ row, cells: line }) => {
    const cells: Partial<Record<StatusColumn, string>> = {};
    known.forEach((column, k) => {
      // Our own writer marks a cell that a spreadsheet would take for a formula with an apostrophe.
      const value = (line[k] ?? '').trim().replace(/^'(?=[=+\-@\t\r])/, '');
      if (column === null || value === '') return;
      const said = cells[column];
      if (said === undefined) cells[column] = value;
      else if (said !== value)
        notes.push({
          code: 'cells-contradict',
          message: `says both “${said}” and “${value}” of ${column}; the first one is taken`,
          where: `${name}, row ${row}`,
        });
    });
    return { row, cells };
  });
  return good({ rows: rows.filter((r) => Object.keys(r.cells).length > 0), notes });
}
