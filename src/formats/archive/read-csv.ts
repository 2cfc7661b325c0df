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

/** A table of a course has a few dozen columns. */
export const mostColumns = 500;

/** What can't be read as a table; the message goes on after the name of the file, as in “x.csv is …”. */
export class UnreadableTable extends Error {}

/** No row of a course’s table says more than this many characters; reading one that does takes the reader seconds. */
export const longestRow = 1_000_000;

const options = {
  bom: true,
  relax_column_count: true,
  skip_empty_lines: true,
  trim: true,
  max_record_size: longestRow,
} as const;

/** The first row of a table. Throws UnreadableTable where it has more columns than any table of a course. */
function headerOf(text: string): readonly string[] {
  const [header = []]: string[][] = parse(text, { ...options, to: 1 });
  if (header.length > mostColumns)
    throw new UnreadableTable(
      `has ${header.length.toLocaleString('en')} columns, and at most ${mostColumns} are read; leave out those that are not needed`,
    );
  return header;
}

/** Runs a parser; what it can't read is thrown as UnreadableTable. */
function reading<T>(parseIt: () => T): T {
  // The parser makes an error of each row of another length, also where these are read: without its stack that is cheap.
  const { stackTraceLimit } = Error;
  Error.stackTraceLimit = 0;
  try {
    return parseIt();
  } catch (error) {
    if (error instanceof UnreadableTable) throw error;
    const { lines, code } = error as { lines?: number; code?: string };
    if (code === 'CSV_MAX_RECORD_SIZE')
      throw new UnreadableTable(
        `has a row of more than ${longestRow.toLocaleString('en')} characters; a quotation mark may be missing, or it is no table`,
      );
    const where = lines ? ` (line ${lines}: a quotation mark is missing or misplaced)` : '';
    throw new UnreadableTable(`is not a readable CSV file${where}; save it as CSV once more`);
  } finally {
    Error.stackTraceLimit = stackTraceLimit;
  }
}

/**
 * Reads a table (CSV, RFC 4180); throws UnreadableTable where a quotation mark is missing. Rows of another length than
 * the first one are read and told.
 */
export function readCsv(text: string, where: string): CsvTable {
  const rows: CsvRow[] = [];
  let header: readonly string[] = [];
  const notes = readCsvRows(text, where, (first) => {
    header = first;
    return (row) => rows.push(row);
  });
  return { header, rows, notes };
}

/** As `readCsv`, but each row is handed on as it is read, to what is made of the header, and none is held. */
export function readCsvRows(
  text: string,
  where: string,
  takerOf: (header: readonly string[]) => (row: CsvRow) => void,
): readonly IntakeNote[] {
  return reading(() => {
    const header = headerOf(text);
    const take = takerOf(header);
    const odd: CsvRow[] = [];
    let row = 0;
    let oddRows = 0;
    parse(text, {
      ...options,
      from: 2,
      on_record: (cells: string[]) => {
        row += 1;
        const isOdd = cells.length !== header.length;
        if (isOdd) oddRows += 1;
        if (isOdd && odd.length < mostNamed) odd.push({ row, cells });
        take({ row, cells });
        return null;
      },
    });
    return [...columnsTwice(header, where), ...oddLengths(header, odd, oddRows, where)];
  });
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

function oddLengths(
  header: readonly string[],
  named: readonly CsvRow[],
  odd: number,
  where: string,
): IntakeNote[] {
  const notes = named.map(({ row, cells }) => ({
    code: 'row-length',
    message: `has ${cells.length} cells and the first row ${header.length}; ${cells.length > header.length ? 'what stands behind the last column is left out' : 'the missing ones count as empty'}`,
    where: `${where}, row ${row}`,
  }));
  if (odd > named.length)
    notes.push({
      code: 'row-length',
      message: `${odd - named.length} more rows have another number of cells than the first one`,
      where,
    });
  return notes;
}
