import { existsSync, mkdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { ZipWriter } from '@/formats/archive/zip-writer';
import { openContext } from '@/services/wire/folder/open-context';
import { jobRecords } from '@/services/wire/jobs/registry';
import { readBackup } from '@/services/do/storage/backup/read-backup';
import { writeBackup } from '@/services/do/storage/backup/write-backup';
import { examine } from '@/services/do/storage/doctor/examine';
import { fileJobs } from '@/services/keep/storage/strange-files';
import { cluttered } from './cluttered';
import { DataFolder, must } from './data-folder';

// A backup that somebody else made: what it holds beside shells must not act on this computer.
const migrationsDir = join(process.cwd(), 'src/store/migrations');
let data: DataFolder;
let treasure = '';
let written = '';
let backup = '';
let restored = '';

/** The data folder as a stranger would hand it on: rows that name files of this computer, and code in the database. */
function tamper(file: string): void {
  const db = new Database(file);
  const job = db.prepare(
    "INSERT INTO jobs (id, kind, state, input, done, total, doing, created_at) VALUES (?, ?, 'waiting', ?, 0, 1, '', '')",
  );
  const inputs = { package: { path: treasure, name: 'treasure' }, today: '2027-01-04' };
  job.run('reads', 'bring-in', JSON.stringify({ inputs, role: '', dispose: [treasure] }));
  job.run('writes', 'backup', JSON.stringify({ file: written, id: 'x', now: '2027-01-04T09:00:00Z' }));
  db.exec("INSERT INTO switches (name, turned_on_at) VALUES ('link-probe', '2027-01-04')");
  db.exec(`INSERT INTO watched_folders (id, path, since) VALUES ('folder', '${data.folder}', '2027-01-04')`);
  db.exec(
    "INSERT INTO hosts (id, address, name, secret, account, created_at) VALUES ('h', 'http://127.0.0.1:9', 'r.alder', 'marsh-marigold', '', '2027-01-04')",
  );
  db.exec('CREATE TRIGGER spoil AFTER UPDATE ON shells BEGIN DELETE FROM versions; END');
  db.exec('CREATE VIEW everything AS SELECT * FROM shells');
  db.exec('CREATE TABLE more (x TEXT)');
  db.close();
}

beforeAll(async () => {
  data = new DataFolder();
  await data.bringIn(cluttered);
  treasure = join(data.folder, 'treasure.txt');
  written = join(data.folder, 'written.backup');
  writeFileSync(treasure, 'kept for years');
  await data.context.close();
  tamper(join(data.dataDir, 'currycomb.sqlite'));
  backup = join(data.folder, 'stranger.backup');
  restored = join(data.folder, 'restored');
});
afterAll(() => data.close().catch(() => undefined));

test('doctor names what a folder holds that Currycomb did not make', () => {
  const codes = examine(data.dataDir, false).diagnoses.map(({ code }) => code);
  expect(codes).toEqual(expect.arrayContaining(['database-foreign', 'job-strange']));
});

test('restored are the shells; jobs, switches, the watched folder, secrets and code of the database are left out and said', async () => {
  must(await writeBackup(data.dataDir, backup, '2027-01-04T09:00:00Z'));
  expect(readFileSync(backup).includes('marsh-marigold')).toBe(false);
  const read = must(await readBackup(backup, restored, migrationsDir));
  expect(read.leftOut).toEqual([
    'unfinished jobs',
    'the switch that lets links be checked on the web',
    'the watched folder',
    'the secrets of campus hosts; sign in again',
  ]);
  const db = new Database(join(restored, 'currycomb.sqlite'), { readonly: true });
  const count = (table: string) => db.prepare(`SELECT count(*) FROM ${table}`).pluck().get();
  expect(['shells', 'jobs', 'switches', 'watched_folders', 'watched_packages'].map(count)).toEqual([
    1, 0, 0, 0, 0,
  ]);
  expect(db.prepare('SELECT secret FROM hosts').pluck().all()).toEqual(['']);
  const foreign = "SELECT name FROM sqlite_master WHERE type IN ('trigger', 'view') OR name = 'more'";
  expect(db.prepare(foreign).all()).toEqual([]);
  db.close();
  expect(examine(restored, false).diagnoses).toEqual([]);
  expect(statSync(restored).mode & 0o77).toBe(0);
});

test('a start on the folder itself begins no job that names a file of the computer', async () => {
  const context = openContext({
    dataDir: data.dataDir,
    migrationsDir,
    workers: join(process.cwd(), 'dist/workers'),
  });
  data.context = context;
  for (const id of ['reads', 'writes'])
    expect(await context.jobs.ended(id)).toMatchObject({
      state: 'failed',
      trouble: expect.stringMatching(/did not receive/) as string,
    });
  expect(readFileSync(treasure, 'utf8')).toBe('kept for years');
  expect(existsSync(written)).toBe(false);
});

test('a database that is none, an empty one and one of a later version are refused with a sentence', async () => {
  const refused = async (name: string, bytes: Buffer): Promise<string> => {
    const file = join(data.folder, `${name}.backup`);
    const zip = new ZipWriter(file);
    const note = { schema: 'currycomb.backup/1', at: '2027-01-04T09:00:00Z', shells: 1, blobs: 0 };
    zip.add('backup.json', Buffer.from(JSON.stringify(note)));
    zip.add('currycomb.sqlite', bytes);
    zip.end();
    const to = join(data.folder, `${name}-restored`);
    const read = await readBackup(file, to, migrationsDir);
    expect(existsSync(to)).toBe(false);
    return read.ok ? 'restored' : read.trouble.message;
  };
  expect(await refused('noise', Buffer.alloc(9_000, 7))).toMatch(/^The backup is damaged: /);
  const later = join(data.folder, 'later.sqlite');
  const db = new Database(later);
  db.exec('CREATE TABLE __drizzle_migrations (id INTEGER, hash TEXT, created_at NUMERIC)');
  db.exec("INSERT INTO __drizzle_migrations VALUES (1, 'x', 99999999999999)");
  db.close();
  expect(await refused('later', readFileSync(later))).toMatch(/later version of Currycomb/);
});

test('an emptied database beside full blobs, and one of a later version, are not begun anew', () => {
  const open = (dataDir: string) => () =>
    openContext({ dataDir, migrationsDir, workers: join(process.cwd(), 'dist/workers') });
  const file = join(restored, 'currycomb.sqlite');
  const whole = readFileSync(file);
  writeFileSync(file, '');
  expect(open(restored)).toThrow(/The database currycomb.sqlite is empty in/);
  expect(examine(restored, false).diagnoses.map(({ code }) => code)).toEqual(['database-damaged']);
  writeFileSync(file, whole);
  const db = new Database(file);
  db.exec('UPDATE __drizzle_migrations SET created_at = 99999999999999');
  db.close();
  expect(open(restored)).toThrow(/used by a later version of Currycomb/);
});

test('a folder in which the holder’s name can’t be written is free again afterwards', async () => {
  const dataDir = join(data.folder, 'blocked');
  mkdirSync(join(dataDir, 'in-use-by.txt'), { recursive: true });
  const open = () => openContext({ dataDir, migrationsDir, workers: join(process.cwd(), 'dist/workers') });
  expect(open).toThrow(/EISDIR|may not write|missing/);
  expect(open).not.toThrow(/Another Currycomb/);
});

test('every job that clears files away is known as one that names files', () => {
  const clearing = Object.values(jobRecords).filter((record) => 'leftovers' in record);
  expect(clearing.map(({ kind }) => kind).filter((kind) => !fileJobs.has(kind))).toEqual([]);
});
