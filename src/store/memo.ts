import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';

const fileOf = (dataDir: string) => join(dataDir, 'memo.sqlite');

/**
 * Makes the memo's file ready, before any thread opens it: of two threads that turn a new file to write-ahead
 * logging at once, SQLite refuses one, however long it would wait. A damaged file is begun anew.
 */
export function prepareMemo(dataDir: string): void {
  mkdirSync(dataDir, { recursive: true });
  try {
    writeTables(fileOf(dataDir));
  } catch {
    for (const ending of ['', '-wal', '-shm']) rmSync(`${fileOf(dataDir)}${ending}`, { force: true });
    writeTables(fileOf(dataDir));
  }
}

function writeTables(path: string): void {
  const file = new Database(path);
  try {
    file.pragma('journal_mode = WAL');
    file.exec(
      'CREATE TABLE IF NOT EXISTS memo (engine TEXT NOT NULL, key TEXT NOT NULL, bytes BLOB NOT NULL, PRIMARY KEY (engine, key)) WITHOUT ROWID;',
    );
  } finally {
    file.close();
  }
}

/**
 * What was worked out before, by what it was made of: it may be thrown away at any time and is made again. Everything
 * stands under the program that made it, so that another version of Currycomb never takes it over.
 */
export class Memo {
  private readonly file: Database.Database;
  private readonly statements;

  /** `engine` names the program, such as by a digest of its code. The file is there (see `prepareMemo`). */
  constructor(
    dataDir: string,
    private readonly engine: string,
  ) {
    this.file = new Database(fileOf(dataDir), { timeout: 60_000, fileMustExist: true });
    this.file.pragma('synchronous = OFF');
    this.file.prepare('DELETE FROM memo WHERE engine <> ?').run(engine);
    this.statements = {
      get: this.file.prepare('SELECT bytes FROM memo WHERE engine = ? AND key = ?').pluck(),
      put: this.file.prepare('INSERT OR REPLACE INTO memo (engine, key, bytes) VALUES (?, ?, ?)'),
    };
  }

  get(key: string): Buffer | null {
    return (this.statements.get.get(this.engine, key) as Buffer | undefined) ?? null;
  }

  put(entries: Iterable<readonly [key: string, bytes: Buffer]>): void {
    this.file.transaction(() => {
      for (const [key, bytes] of entries) this.statements.put.run(this.engine, key, bytes);
    })();
  }

  close(): void {
    this.file.close();
  }
}
