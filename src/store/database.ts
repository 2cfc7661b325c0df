import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema';

export type Db = BetterSQLite3Database<typeof schema>;

/** Opens the database of a data folder and brings it up to the newest migration. */
export function openDatabase(dataDir: string, migrationsDir: string): Db {
  mkdirSync(dataDir, { recursive: true });
  const file = new Database(join(dataDir, 'currycomb.sqlite'));
  file.pragma('journal_mode = WAL');
  file.pragma('foreign_keys = ON');
  file.pragma('synchronous = NORMAL');
  const db = drizzle(file, { schema });
  migrate(db, { migrationsFolder: migrationsDir });
  return db;
}
