import type Database from 'better-sqlite3';

/** Is a column there? A folder that an earlier Currycomb used, or its backup, lacks what came later until it is started on. */
export const hasColumn = (db: Database.Database, table: string, column: string): boolean =>
  db.prepare('SELECT 1 FROM pragma_table_info(?) WHERE name = ?').get(table, column) !== undefined;
