import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { drizzle } from 'drizzle-orm/better-sqlite3';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { z } from 'zod';
import { largest } from '@/core/collect';

const journalSchema = z.looseObject({ entries: z.array(z.looseObject({ when: z.number() })) });
type Journal = z.output<typeof journalSchema>;

const journalFile = (migrationsDir: string) => join(migrationsDir, 'meta', '_journal.json');
const readJournal = (migrationsDir: string): Journal =>
  journalSchema.parse(JSON.parse(readFileSync(journalFile(migrationsDir), 'utf8')));

/** The moments of the migrations that were run on a database, as Drizzle writes them down. */
function ranMigrations(db: Database.Database): readonly number[] {
  const isThere = db.prepare(
    "SELECT 1 FROM sqlite_master WHERE type = 'table' AND name = '__drizzle_migrations'",
  );
  if (isThere.get() === undefined) return [];
  return db.prepare('SELECT CAST(created_at AS INTEGER) FROM __drizzle_migrations').pluck().all() as number[];
}

/** How many of our migrations a database has; null where it has one that this program does not know. */
export function migrationLevel(db: Database.Database, migrationsDir: string): number | null {
  const known = readJournal(migrationsDir).entries.map(({ when }) => when);
  const last = largest([0, ...ranMigrations(db)]);
  if (last > (known.at(-1) ?? 0)) return null;
  return known.filter((when) => when <= last).length;
}

/** Makes a database as it was after so many of our migrations. */
export function makeAtLevel(file: string, migrationsDir: string, level: number): void {
  const scratch = mkdtempSync(join(tmpdir(), 'currycomb-migrations-'));
  const db = new Database(file);
  try {
    cpSync(migrationsDir, scratch, { recursive: true });
    const journal = readJournal(migrationsDir);
    const early = { ...journal, entries: journal.entries.slice(0, level) };
    writeFileSync(journalFile(scratch), JSON.stringify(early));
    migrate(drizzle(db), { migrationsFolder: scratch });
  } finally {
    db.close();
    rmSync(scratch, { recursive: true, force: true });
  }
}
