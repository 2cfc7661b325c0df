import { parse } from 'csv-parse/sync';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { bad, good, type IntakeNote, type Result } from '@/core/shell/result';
import { filePath } from '@/core/shell/refs';
import { decodeText } from '../archive/decode-text';
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
      const read = readTable(decodeText(bytes).text, `${name}, ${table}.csv`);
      if (!read.ok) return read;
      tables[table] = read.value;
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

function readTable(text: string, where: string): Result<RosterRow[]> {
  let rows: string[][];
  try {
    rows = parse(text, {
      bom: true,
      relax_column_count: true,
      skip_empty_lines: true,
      trim: true,
    });
  } catch (error) {
    const line = (error as { lines?: number }).lines;
    return bad(
      'roster-unreadable',
      `${where} is not a readable CSV file${line ? ` (line ${line}: a quotation mark is missing or misplaced)` : ''}; export the roster once more.`,
    );
  }
  const header = rows[0] ?? [];
  if (!header.includes('sourcedId'))
    return bad(
      'roster-unreadable',
      `${where} has no column “sourcedId” in its first row, so it is no OneRoster table; export the roster as OneRoster CSV.`,
    );
  return good(
    rows
      .slice(1)
      .map((cells) => Object.fromEntries(header.map((column, i) => [column, cells[i] ?? ''])))
      .filter((row) => row['sourcedId'] && row['status']?.toLowerCase() !== 'tobedeleted'),
  );
}
