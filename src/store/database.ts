import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import * as schema from './schema';

export type Db = BetterSQLite3Database<typeof schema> & { readonly $client: Database.Database };
export type Transaction = Parameters<Parameters<Db['transaction']>[0]>[0];

/** Opens the database of a data folder and brings it up to the newest migration. */
export function openDatabase(dataDir: string, migrationsDir: string): Db {
  mkdirSync(dataDir, { recursive: true });
  const file = new Database(join(dataDir, 'currycomb.sqlite'));
  file.pragma('journal_mode = WAL');
  file.pragma('foreign_keys = ON');
  // What was told as done is on the disk: a run that a power cut takes back would be a lie in the ledger.
  file.pragma('synchronous = FULL');
  const db = drizzle(file, { schema });
  migrate(db, { migrationsFolder: migrationsDir });
  return db;
}
