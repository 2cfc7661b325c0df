import type Database from 'better-sqlite3';

interface Column {
  readonly name: string;
  /** As the table declares it: TEXT, INTEGER, REAL or BLOB. */
  readonly type: string;
}

/**
 * Tables of which no row is restored: a stranger's backup must start no work here, switch nothing on and have no folder
 * of this computer watched.
 */
const leftOut: ReadonlySet<string> = new Set(['jobs', 'switches', 'watched_folders', 'watched_packages']);
/** Columns that are restored empty. */
const emptied: readonly { readonly table: string; readonly column: string }[] = [
  { table: 'hosts', column: 'secret' },
];

/**
 * Copies the rows of a database that may be anybody's into one that our migrations made: known tables and known columns
 * alone, each value as the type that its column has. Triggers, views, indexes and generated columns stay behind.
 */
export function copyRows(from: Database.Database, to: Database.Database): void {
  const tables = tablesOf(to).filter((table) => !leftOut.has(table));
  const there = new Set(tablesOf(from));
  to.pragma('foreign_keys = OFF');
  to.transaction(() => {
    for (const table of tables) if (there.has(table)) copyTable(from, to, table);
    endUnfinished(to);
  })();
}

const tablesOf = (db: Database.Database): readonly string[] =>
  db
    .prepare(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite\\_%' ESCAPE '\\' AND name <> '__drizzle_migrations' AND sql NOT LIKE 'CREATE VIRTUAL%'",
    )
    .pluck()
    .all() as string[];

/** The ordinary columns of a table. */
const columnsOf = (db: Database.Database, table: string): readonly Column[] =>
  db.prepare('SELECT name, type FROM pragma_table_xinfo(?) WHERE hidden = 0').all(table) as Column[];

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

function copyTable(from: Database.Database, to: Database.Database, table: string): void {
  const there = new Set(columnsOf(from, table).map(({ name }) => name));
  const columns = columnsOf(to, table).filter(({ name }) => there.has(name));
  if (columns.length === 0) return;
  const values = columns.map(({ name, type }) => valueOf(table, name, type));
  const rows = from.prepare(`SELECT ${values.join(', ')} FROM ${quoted(table)}`).raw();
  const names = columns.map(({ name }) => quoted(name));
  const holes = columns.map(() => '?');
  const insert = to.prepare(
    `INSERT OR REPLACE INTO ${quoted(table)} (${names.join(', ')}) VALUES (${holes.join(', ')})`,
  );
  for (const row of rows.iterate()) insert.run(row);
}

function valueOf(table: string, name: string, type: string): string {
  const isEmptied = emptied.some((one) => one.table === table && one.column === name);
  if (isEmptied) return "''";
  return /^(text|integer|real|numeric|blob)$/i.test(type) ? `CAST(${quoted(name)} AS ${type})` : quoted(name);
}

/** Runs whose jobs stay behind are over: what they had done is in their ledger. */
function endUnfinished(db: Database.Database): void {
  db.prepare(
    "UPDATE operations SET state = 'failed', reason = 'The backup was made while this was under way.' WHERE state IN ('waiting', 'doing') AND run_id IN (SELECT id FROM runs WHERE state IN ('planned', 'running', 'paused'))",
  ).run();
  db.prepare("UPDATE runs SET state = 'stopped' WHERE state IN ('planned', 'running', 'paused')").run();
}

/** What a backup has that is not restored, each as a part of a sentence. */
export function leftBehind(from: Database.Database): readonly string[] {
  const there = new Set(tablesOf(from));
  const has = (table: string, where = '1') =>
    there.has(table) &&
    from.prepare(`SELECT 1 FROM ${quoted(table)} WHERE ${where} LIMIT 1`).get() !== undefined;
  const left: string[] = [];
  if (has('jobs', "state IN ('waiting', 'running', 'paused')")) left.push('unfinished jobs');
  if (has('switches')) left.push('the switch that lets links be checked on the web');
  if (has('watched_folders')) left.push('the watched folder');
  if (has('hosts')) left.push('the secrets of campus hosts; sign in again');
  return left;
}
