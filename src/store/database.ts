import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { drizzle, type BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { migrationLevel } from './migration-level';
import * as schema from './schema';

export type Db = BetterSQLite3Database<typeof schema> & { readonly $client: Database.Database };
export type Transaction = Parameters<Parameters<Db['transaction']>[0]>[0];

/** The database of a data folder. */
export const databaseFile = (dataDir: string): string => join(dataDir, 'currycomb.sqlite');

/** The database of a folder is gone or of a later version while what belongs to it is there: nothing is begun anew over it. */
export class DatabaseMissing extends Error {}

/** How long a statement waits for another program that holds the database, in milliseconds. */
const patience = 1_000;

/** The database of a folder that another thread has open, to be read alone. */
export const readDatabase = (dataDir: string): Db =>
  drizzle(new Database(databaseFile(dataDir), { readonly: true, timeout: patience }), { schema });

/** Does a folder hold what a database kept track of? */
const isInUse = (dataDir: string): boolean => existsSync(join(dataDir, 'blobs'));

const missing = (is: string, dataDir: string): string =>
  `The database currycomb.sqlite is ${is} ${dataDir}, but the files that it lists are still there. Put it back, or restore a backup. To start over, give Currycomb another folder with CURRYCOMB_DATA.`;

/** Why a database that is there can't be used; null where it can. */
function whyNotUsed(file: Database.Database, dataDir: string, migrationsDir: string): string | null {
  const tables = file.prepare("SELECT count(*) FROM sqlite_master WHERE type = 'table'").pluck().get();
  if (tables === 0) return isInUse(dataDir) ? missing('empty in', dataDir) : null;
  return migrationLevel(file, migrationsDir) === null
    ? `The folder ${dataDir} was used by a later version of Currycomb. Update this one, or give it a folder of its own with CURRYCOMB_DATA.`
    : null;
}

/**
 * Opens the database of a data folder and brings it up to the newest migration. Throws DatabaseMissing where blobs are
 * there without it, or where it is of a later version, and what SQLite says where it can’t be opened.
 */
export function openDatabase(dataDir: string, migrationsDir: string): Db {
  mkdirSync(dataDir, { recursive: true, mode: 0o700 });
  const isThere = existsSync(databaseFile(dataDir));
  if (!isThere && isInUse(dataDir)) throw new DatabaseMissing(missing('missing from', dataDir));
  const file = new Database(databaseFile(dataDir), { timeout: patience });
  const fault = isThere ? whyNotUsed(file, dataDir, migrationsDir) : null;
  if (fault !== null) {
    file.close();
    throw new DatabaseMissing(fault);
  }
  file.pragma('journal_mode = WAL');
  file.pragma('foreign_keys = ON');
  // What was told as done is on the disk: a run that a power cut takes back would be a lie in the ledger.
  file.pragma('synchronous = FULL');
  const db = drizzle(file, { schema });
  migrate(db, { migrationsFolder: migrationsDir });
  return db;
}
