import { entryOf, putEntry } from '@/core/entries';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { filePath } from '@/core/refs/refs';
import { append } from '@/core/collect';
import { decodeText, encodingNotes } from '../archive/decode-text';
import { readCsvRows, UnreadableTable } from '../archive/read-csv';
import { openArchive } from '../archive/read-archive';

export type RosterRow = Readonly<Record<string, string>>;
/** How many people have a role in a class. */
export interface RoleCount {
  readonly classId: string;
  readonly role: string;
  readonly people: number;
}
/**
 * The tables of a OneRoster CSV set that a shell can use; null where the set does not have one. Users and demographics
 * are never opened, and of people and their results only the numbers are kept.
 */
export interface RosterTables {
  readonly academicSessions: readonly RosterRow[] | null;
  readonly courses: readonly RosterRow[] | null;
  readonly classes: readonly RosterRow[] | null;
  readonly categories: readonly RosterRow[] | null;
  readonly lineItems: readonly RosterRow[] | null;
  readonly enrollments: readonly RoleCount[] | null;
  /** Results by the line item that they are for. */
  readonly results: ReadonlyMap<string, number> | null;
}

const mostTableBytes = 128 * 1024 ** 2;

/** Reads a OneRoster CSV set (1EdTech OneRoster 1.1 and 1.2, CSV binding), a folder or a zip file. Rows marked for deletion are left out. */
export async function readRosterTables(
  path: string,
  name: string,
): Promise<Result<{ readonly tables: RosterTables; readonly notes: readonly IntakeNote[] }>> {
  const source = await openSource(path, name);
  if (!source.ok) return source;
  try {
    const reader = new TableReader(source.value, name);
    const tables: RosterTables = {
      academicSessions: reader.rows('academicSessions'),
      courses: reader.rows('courses'),
      classes: reader.rows('classes'),
      enrollments: reader.roles(),
      categories: reader.rows('categories'),
      lineItems: reader.rows('lineItems'),
      results: reader.results(),
    };
    if (Object.values(tables).every((table) => table === null))
      return bad(
        'not-a-roster',
        `“${name}” holds none of the OneRoster tables (academicSessions.csv, courses.csv, classes.csv …); export the roster as OneRoster CSV.`,
      );
    return good({ tables, notes: reader.notes });
  } catch (error) {
    if (!(error instanceof UnreadableTable)) throw error;
    return bad('roster-unreadable', error.message);
  } finally {
    source.value.close();
  }
}

/** Reads the tables of one set, row by row: what is not asked for is let go of at once. */
class TableReader {
  readonly notes: IntakeNote[] = [];

  constructor(
    private readonly source: TableSource,
    private readonly name: string,
  ) {}

  /** Every row with the cells that say something. */
  rows(table: string): readonly RosterRow[] | null {
    const rows: RosterRow[] = [];
    return this.read(table, (row) => rows.push(row)) ? rows : null;
  }

  roles(): readonly RoleCount[] | null {
    const counts = new Map<string, RoleCount>();
    const isThere = this.read('enrollments', (row) => {
      const [classId, role] = [row['classSourcedId'] ?? '', row['role'] ?? ''];
      const key = JSON.stringify([classId, role]);
      counts.set(key, { classId, role, people: (counts.get(key)?.people ?? 0) + 1 });
    });
    return isThere ? [...counts.values()] : null;
  }

  results(): ReadonlyMap<string, number> | null {
    const counts = new Map<string, number>();
    const isThere = this.read('results', (row) => {
      const lineItem = row['lineItemSourcedId'] ?? '';
      counts.set(lineItem, (counts.get(lineItem) ?? 0) + 1);
    });
    return isThere ? counts : null;
  }

  /** Hands on the rows of a table that count; says whether the table is there. */
  private read(table: string, take: (row: RosterRow) => void): boolean {
    const bytes = this.source.read(`${table}.csv`);
    if (bytes === null) return false;
    const where = `${this.name}, ${table}.csv`;
    if (bytes.length > mostTableBytes)
      throw new UnreadableTable(
        `“${this.name}”: ${table}.csv is larger than ${mostTableBytes} bytes; that is no roster of one course.`,
      );
    const decoded = decodeText(bytes);
    append(this.notes, encodingNotes(decoded, where));
    try {
      append(this.notes, takeRows(decoded.text, where, take));
    } catch (error) {
      if (!(error instanceof UnreadableTable)) throw error;
      throw new UnreadableTable(`${where} ${error.message}.`);
    }
    return true;
  }
}

interface TableSource {
  read(file: string): Buffer | null;
  close(): void;
}

async function openSource(path: string, name: string): Promise<Result<TableSource>> {
  if (!existsSync(path)) return bad('no-such-file', `There is no folder or file “${name}”; check the path.`);
  if (statSync(path).isDirectory()) {
    const read = (file: string) => (existsSync(join(path, file)) ? readFileSync(join(path, file)) : null);
    return good({ read, close: () => undefined });
  }
  const archive = await openArchive(path, name);
  if (!archive.ok) return archive;
  const { entries } = archive.value;
  // Some exports put the tables into one folder.
  const table = entries.find((e) => /(^|\/)(manifest|academicSessions|classes|lineItems)\.csv$/.test(e.path));
  const folder = table?.path.slice(0, table.path.lastIndexOf('/') + 1) ?? '';
  const read = (file: string) => {
    const entry = entries.find((e) => e.path === `${folder}${file}`);
    if (!entry || entry.bytes > mostTableBytes) return null;
    const bytes = archive.value.read(filePath(entry.path));
    return bytes.ok ? bytes.value : null;
  };
  return good({ read, close: () => archive.value.close() });
}

/** Hands on the rows of a table that are not marked for deletion, each identifier once; what is left out is told. */
function takeRows(text: string, where: string, take: (row: RosterRow) => void): readonly IntakeNote[] {
  const notes: IntakeNote[] = [];
  const seen = new Set<string>();
  const takeRow = (row: number, values: RosterRow) => {
    const id = values['sourcedId'];
    if (values['status']?.toLowerCase() === 'tobedeleted') return;
    if (!id) {
      const message = 'has no sourcedId; it is left out';
      notes.push({ code: 'row-without-identifier', message, where: `${where}, row ${row}` });
      return;
    }
    if (seen.has(id)) {
      const message = `the sourcedId ${id} stands twice; this row is left out`;
      notes.push({ code: 'identifier-twice', message, where: `${where}, row ${row}` });
      return;
    }
    seen.add(id);
    take(values);
  };
  const told = readCsvRows(text, where, (header) => {
    if (!header.includes('sourcedId'))
      throw new UnreadableTable(
        'has no column “sourcedId” in its first row, so it is no OneRoster table; export the roster as OneRoster CSV',
      );
    return ({ row, cells }) => takeRow(row, rowOf(header, cells));
  });
  return [...told, ...notes];
}

/** The cells by their columns; where a column stands twice, the first cell that says something. */
function rowOf(header: readonly string[], cells: readonly string[]): RosterRow {
  const values: Record<string, string> = {};
  header.forEach((column, i) => {
    // Of columns that appear twice the first cell with something in it is read.
    if (!entryOf(values, column)) putEntry(values, column, cells[i] ?? '');
  });
  return values;
}
