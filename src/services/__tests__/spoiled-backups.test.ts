import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import * as fc from 'fast-check';
import { runs } from '@/core/__tests__/runs';
import { strangeWords } from '@/core/__tests__/spoiled';
import { readBackup } from '@/services/do/storage/backup/read-backup';
import { writeBackup } from '@/services/do/storage/backup/write-backup';
import { openArchive } from '@/formats/archive/read-archive';
import { cluttered } from './cluttered';
import { DataFolder, must } from './data-folder';
import { oneSentence } from '@/core/__tests__/one-sentence';
import { rawZip, type RawEntry } from './raw-zip';

// A backup that somebody spoiled: rows, tables, bytes and paths. It is read back or refused with a sentence; what could act
// on this computer is never in what was read back, and nothing is written outside the folder that was named.
jest.setTimeout(7_200_000);
const migrationsDir = join(process.cwd(), 'src/store/migrations');
const outside = mkdtempSync(join(tmpdir(), 'currycomb-spoiled-backup-'));
const treasure = join(outside, 'treasure.txt');
const within = join(outside, 'within');
mkdirSync(within);
writeFileSync(treasure, 'kept for years');
let entries: readonly RawEntry[] = [];

beforeAll(async () => {
  const data = new DataFolder();
  const id = await data.bringIn(cluttered);
  await data.comb(id);
  await data.plan(id, { action: 'delete', targets: ['e1'], params: {} });
  await data.context.close();
  const file = join(within, 'good.backup');
  must(await writeBackup(data.dataDir, file, '2027-01-04T09:00:00Z'));
  const archive = must(await openArchive(file, file));
  entries = archive.entries.map(({ path }) => ({ path, data: must(archive.read(path)) }));
  archive.close();
  rmSync(file);
  rmSync(data.folder, { recursive: true, force: true });
});
afterAll(() => rmSync(outside, { recursive: true, force: true }));

/** One thing that a stranger does to a backup. */
const spoilings = fc.record({
  how: fc.constantFrom(
    'cell',
    'cell',
    'cell',
    'trigger',
    'table gone',
    'column gone',
    'job',
    'bytes',
    'path',
  ),
  at: fc.nat(),
  row: fc.nat(),
  value: fc.oneof<fc.Arbitrary<string | number | null | Uint8Array>[]>(
    fc.constantFrom(...strangeWords, treasure),
    fc.constantFrom<number | null>(null, -1, 0, 1.5, 2 ** 52),
    fc.uint8Array({ maxLength: 40 }),
  ),
});
type Spoiling = typeof spoilings extends fc.Arbitrary<infer T> ? T : never;

const tablesOf = (db: Database.Database): string[] =>
  db
    .prepare("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite%' ORDER BY name")
    .pluck()
    .all() as string[];

function spoilDatabase(db: Database.Database, { how, at, row, value }: Spoiling): void {
  const tables = tablesOf(db);
  const table = tables[at % Math.max(1, tables.length)];
  if (table === undefined) return;
  const columns = db.prepare('SELECT name FROM pragma_table_info(?)').pluck().all(table) as string[];
  const column = columns[row % Math.max(1, columns.length)] ?? 'id';
  switch (how) {
    case 'cell': {
      const rows = Number(db.prepare(`SELECT count(*) FROM "${table}"`).pluck().get());
      if (rows === 0) return;
      db.prepare(
        `UPDATE OR IGNORE "${table}" SET "${column}" = ? WHERE rowid = (SELECT rowid FROM "${table}" LIMIT 1 OFFSET ?)`,
      ).run(value, row % rows);
      return;
    }
    case 'trigger':
      db.exec(
        `CREATE TRIGGER IF NOT EXISTS spoil AFTER INSERT ON "${table}" BEGIN DELETE FROM versions; END`,
      );
      return;
    case 'table gone':
      db.exec(`DROP TABLE "${table}"`);
      return;
    case 'column gone':
      db.exec(`ALTER TABLE "${table}" DROP COLUMN "${column}"`);
      return;
    case 'job':
      db.prepare(
        "INSERT OR IGNORE INTO jobs (id, kind, state, input, done, total, doing, created_at) VALUES ('j', 'bring-in', 'waiting', ?, 0, 1, '', '')",
      ).run(JSON.stringify({ dispose: [treasure] }));
      return;
    case 'bytes':
    case 'path':
      return;
  }
}

function spoilBytes(bytes: Buffer, { at, row, value }: Spoiling): Buffer {
  const spoiled = Buffer.from(bytes);
  const put = Buffer.from(String(value));
  put.copy(spoiled, at % Math.max(1, spoiled.length));
  return row % 3 === 0 ? spoiled.subarray(0, row % Math.max(1, spoiled.length)) : spoiled;
}

function spoilEntry(entry: RawEntry, isChosen: boolean, spoiling: Spoiling): RawEntry {
  if (spoiling.how === 'path') return isChosen ? { ...entry, path: String(spoiling.value) } : entry;
  if (spoiling.how === 'bytes')
    return isChosen ? { ...entry, data: spoilBytes(entry.data, spoiling) } : entry;
  if (!entry.path.endsWith('currycomb.sqlite')) return entry;
  const db = openInMemory(entry.data);
  if (db === null) return entry;
  try {
    spoilDatabase(db, spoiling);
    return { ...entry, data: db.serialize() };
  } catch {
    // A column that an index needs stays: that is one spoiling fewer.
    return entry;
  } finally {
    db.close();
  }
}

function openInMemory(bytes: Buffer): Database.Database | null {
  try {
    return new Database(bytes);
  } catch {
    return null;
  }
}

const spoiledEntries = (all: readonly Spoiling[]): readonly RawEntry[] =>
  all.reduce<readonly RawEntry[]>(
    (spoiled, one) => spoiled.map((entry, k) => spoilEntry(entry, k === one.at % spoiled.length, one)),
    entries,
  );

function expectNothingActs(folder: string): void {
  const db = new Database(join(folder, 'currycomb.sqlite'), { readonly: true });
  const count = (table: string) => db.prepare(`SELECT count(*) FROM ${table}`).pluck().get();
  expect(['jobs', 'switches', 'watched_folders', 'watched_packages'].map(count)).toEqual([0, 0, 0, 0]);
  expect(db.prepare("SELECT count(*) FROM hosts WHERE secret <> ''").pluck().get()).toBe(0);
  const code = "SELECT count(*) FROM sqlite_master WHERE type IN ('trigger', 'view')";
  expect(db.prepare(code).pluck().get()).toBe(0);
  db.close();
}

test('a spoiled backup is read back or refused, and leads nowhere', async () => {
  let restored = 0;
  let refused = 0;
  await fc.assert(
    fc.asyncProperty(fc.array(spoilings, { minLength: 1, maxLength: 3 }), async (all) => {
      const file = join(within, 'spoiled.backup');
      const to = join(within, 'restored');
      writeFileSync(file, rawZip(spoiledEntries(all)));
      const read = await readBackup(file, to, migrationsDir);
      if (read.ok) {
        restored += 1;
        expectNothingActs(to);
        rmSync(to, { recursive: true });
      } else {
        refused += 1;
        expect(read.trouble.message).toMatch(oneSentence);
        expect(existsSync(to)).toBe(false);
      }
      expect(readdirSync(within)).toEqual(['spoiled.backup']);
      expect(readdirSync(outside).sort()).toEqual(['treasure.txt', 'within']);
      expect(readFileSync(treasure, 'utf8')).toBe('kept for years');
    }),
    { numRuns: runs(20_000, 60) },
  );
  expect(restored).toBeGreaterThan(5);
  expect(refused).toBeGreaterThan(5);
});
