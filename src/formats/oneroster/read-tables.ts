import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { filePath } from '@/core/shell/refs';
import { append } from '@/core/collect';
import { decodeText, encodingNotes } from '../archive/decode-text';
import { readCsv, type CsvTable } from '../archive/read-csv';
import { openArchive } from '../archive/read-archive';

/** The tables of a OneRoster CSV set that a shell can use. Users and demographics are never opened. */
export const rosterTables = [
  'academicSessions',
  'courses',
  'classes',
  'enrollments',
  'categories',
  'lineItems',
  'results',
] as const;
export type RosterTable = (typeof rosterTables)[number];
export type RosterRow = Readonly<Record<string, string>>;
/** Null where the set does not have the table. */
export type RosterTables = Readonly<Record<RosterTable, readonly RosterRow[] | null>>;

const mostTableBytes = 128 * 1024 ** 2;

/** Reads a OneRoster CSV set (1EdTech OneRoster 1.1 and 1.2, CSV binding), a folder or a zip file. Rows marked for deletion are left out. */
export async function readRosterTables(
  path: string,
  name: string,
): Promise<Result<{ readonly tables: RosterTables; readonly notes: readonly IntakeNote[] }>> {
  const source = await openSource(path, name);
  if (!source.ok) return source;
  const notes: IntakeNote[] = [];
  const tables: Record<string, readonly RosterRow[] | null> = {};
  try {
    for (const table of rosterTables) {
      const bytes = source.value.read(`${table}.csv`);
      if (bytes === null) {
        tables[table] = null;
        continue;
      }
      if (bytes.length > mostTableBytes)
        return bad(
          'too-large',
          `“${name}”: ${table}.csv is larger than ${mostTableBytes} bytes; that is no roster of one course.`,
        );
      const where = `${name}, ${table}.csv`;
      const decoded = decodeText(bytes);
      append(notes, encodingNotes(decoded, where));
      const read = readTable(decoded.text, where);
      if (!read.ok) return read;
      append(notes, read.value.notes);
      tables[table] = read.value.rows;
    }
  } finally {
    source.value.close();
  }
  if (rosterTables.every((t) => tables[t] === null))
    return bad(
      'not-a-roster',
      `“${name}” holds none of the OneRoster tables (${rosterTables.slice(0, 3).join('.csv, ')}.csv …); export the roster as OneRoster CSV.`,
    );
  return good({ tables: tables as unknown as RosterTables, notes });
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
  const folder =
    entries
      .find((e) => /(^|\/)(manifest|academicSessions|classes|lineItems)\.csv$/.test(e.path))
      ?.path.replace(/[^/]*$/, '') ?? '';
  const read = (file: string) => {
    const entry = entries.find((e) => e.path === `${folder}${file}`);
    if (!entry || entry.bytes > mostTableBytes) return null;
    const bytes = archive.value.read(filePath(entry.path));
    return bytes.ok ? bytes.value : null;
  };
  return good({ read, close: () => archive.value.close() });
}

function readTable(
  text: string,
  where: string,
): Result<{ readonly rows: RosterRow[]; readonly notes: readonly IntakeNote[] }> {
  let table: CsvTable;
  try {
    table = readCsv(text, where);
  } catch (error) {
    const line = (error as { lines?: number }).lines;
    return bad(
      'roster-unreadable',
      `${where} is not a readable CSV file${line ? ` (line ${line}: a quotation mark is missing or misplaced)` : ''}; export the roster once more.`,
    );
  }
  const { header } = table;
  if (!header.includes('sourcedId'))
    return bad(
      'roster-unreadable',
      `${where} has no column “sourcedId” in its first row, so it is no OneRoster table; export the roster as OneRoster CSV.`,
    );
  const notes: IntakeNote[] = [...table.notes];
  const seen = new Set<string>();
  const rows: RosterRow[] = [];
  for (const { row, cells } of table.rows) {
    const values = rowOf(header, cells);
    const id = values['sourcedId'];
    if (values['status']?.toLowerCase() === 'tobedeleted') continue;
    if (!id) {
      const message = 'has no sourcedId; it is left out';
      notes.push({ code: 'row-without-identifier', message, where: `${where}, row ${row}` });
      continue;
    }
    if (seen.has(id)) {
      const message = `the sourcedId ${id} stands twice; this row is left out`;
      notes.push({ code: 'identifier-twice', message, where: `${where}, row ${row}` });
      continue;
    }
    seen.add(id);
    rows.push(values);
  }
  return good({ rows, notes });
}

/** The cells by their columns; where a column stands twice, the first cell that says something. */
function rowOf(header: readonly string[], cells: readonly string[]): RosterRow {
  const values = new Map<string, string>();
  header.forEach((column, i) => {
    if (!values.get(column)) values.set(column, cells[i] ?? '');
  });
  return Object.fromEntries(values);
}
