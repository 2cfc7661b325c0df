import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import Database from 'better-sqlite3';
import type { Sha256 } from '@/core/refs/refs';
import { jobs, shells, versions } from '@/store/schema';
import { eq, inArray } from 'drizzle-orm';
import { loadShell } from '@/store/state/keep-shell';
import { openContext } from '@/services/wire/folder/open-context';
import { readBackup } from '@/services/do/storage/backup/read-backup';
import { writeBackup } from '@/services/do/storage/backup/write-backup';
import { lastLook, orderForFolder } from '@/services/do/storage/data-folder';
import type { Diagnosis } from '@/services/do/storage/doctor/diagnosis';
import { examine } from '@/services/do/storage/doctor/examine';
import { mend } from '@/services/do/storage/doctor/mend';
import { clearLeftovers, clearReadUploads, passingFolder } from '@/services/keep/storage/leftovers';
import { StorageFault } from '@/services/keep/storage/storage-fault';
import { listShells } from '@/services/show/shells/shell-list';
import { cluttered } from './cluttered';
import { DataFolder, must } from './data-folder';

const migrations = join(process.cwd(), 'src/store/migrations');

let data: DataFolder;
let id = '';
beforeAll(async () => {
  data = new DataFolder();
  id = await data.bringIn((c) => {
    cluttered(c);
    c.file('large.bin', Buffer.alloc(300_000, 7));
  }, 'CAR 1');
  await data.comb(id);
});
afterAll(() => data.close());

const codes = () => examine(data.dataDir, true).diagnoses.map(({ code }) => code);
const unusedBlobs: Diagnosis = { code: 'blob-unused', sentence: 'x', mending: 'Throw them away.' };
const someJob = { kind: 'bring-in', shellId: null, done: 0, total: 1, doing: '', createdAt: '' } as const;
const pack = () => new Database(join(data.dataDir, 'blobs', 'pack.sqlite'), { timeout: 10_000 });
const stateOf = (dataDir = data.dataDir): Sha256 => {
  const db = new Database(join(dataDir, 'currycomb.sqlite'), { readonly: true });
  const blob = db.prepare('SELECT state_blob FROM versions').pluck().get();
  db.close();
  return blob as Sha256;
};

test('a folder that is well says so, by the job of the page, too', async () => {
  expect(codes()).toEqual([]);
  const jobId = orderForFolder(data.context, 'examine', new Date());
  expect((await data.ended(jobId)).state).toBe('done');
  expect(lastLook(data.context)).toMatchObject({ shells: 1, versions: 1, diagnoses: [], mended: [] });
});

test('damaged bytes are named with their shell, set aside by mending, and put back by the same package', async () => {
  const file = pack();
  const hash = file
    .prepare('SELECT hash FROM blobs WHERE length(bytes) BETWEEN 20 AND 2000 LIMIT 1')
    .pluck()
    .get() as string;
  const sound = file.prepare('SELECT bytes FROM blobs WHERE hash = ?').pluck().get(hash) as Buffer;
  file.prepare('UPDATE blobs SET bytes = ? WHERE hash = ?').run(Buffer.alloc(sound.length, 1), hash);
  file.close();
  const found = examine(data.dataDir, true);
  expect(found.diagnoses.map(({ sentence }) => sentence)).toEqual([
    '1 file of packages is damaged; they belong to CAR 1.',
  ]);
  expect(mend(data.dataDir, found)).toEqual(['blob-damaged']);
  expect(readFileSync(join(data.dataDir, 'damaged', hash))).toEqual(Buffer.alloc(sound.length, 1));
  expect(codes()).toEqual(['blob-missing']);
  data.context.blobs.put(sound);
  data.context.blobs.flush();
  expect(codes()).toEqual([]);
});

test('what nothing uses and what was left is found, and is gone after mending', () => {
  data.context.blobs.put('nobody names this');
  data.context.blobs.flush();
  writeFileSync(join(passingFolder(data.dataDir, 'uploads'), 'left'), 'x');
  mkdirSync(join(data.dataDir, 'blobs', 'new'), { recursive: true });
  const found = examine(data.dataDir, false);
  expect(found.diagnoses.map(({ code }) => code)).toEqual(['blob-unused', 'file-left']);
  mend(data.dataDir, found);
  expect(examine(data.dataDir, false).diagnoses).toEqual([]);
  expect(loadShell(data.context.blobs, stateOf()).items.length).toBeGreaterThan(2);
});

test('one row that can’t be read costs one shell; its combing is thrown away by mending', async () => {
  const other = await data.bringIn((c) => c.page('One', '<p>One page</p>'), 'CAR 2');
  const { db } = data.context;
  const { versionId } = db.select().from(shells).where(eq(shells.id, other)).get() ?? { versionId: '' };
  db.update(versions).set({ inventory: '{"counts":' }).where(eq(versions.id, versionId)).run();
  expect(listShells(data.context).map(({ code, isDamaged }) => [code, isDamaged])).toEqual([
    ['CAR 1', false],
    ['CAR 2', true],
  ]);
  expect(() => data.context.jobs.view('x')).not.toThrow();
  expect(codes()).toEqual(['row-unreadable']);
  db.delete(shells).where(eq(shells.id, other)).run();
  mend(data.dataDir, examine(data.dataDir, true));
  expect(codes()).toEqual([]);
  // What is worked out anew at any time is thrown away, and the shell stays.
  db.$client.prepare("UPDATE students_eyes SET eye = '{'").run();
  expect(codes()).toEqual(['row-unreadable']);
  mend(data.dataDir, examine(data.dataDir, true));
  expect(codes()).toEqual([]);
  db.$client.prepare("UPDATE audits SET tally = 'broken'").run();
  expect(listShells(data.context)[0]?.isDamaged).toBe(true);
  mend(data.dataDir, examine(data.dataDir, true));
  expect(listShells(data.context)[0]).toMatchObject({ isDamaged: false, combedAt: null });
});

test('a backup made while the folder is in use comes back the same', async () => {
  const file = join(data.folder, 'one.backup');
  const written = await writeBackup(data.dataDir, file, '2027-01-04T09:00:00Z');
  expect(written.ok && written.value.shells).toBe(1);
  const to = join(data.folder, 'restored');
  expect(await readBackup(file, to, migrations)).toEqual({
    ok: true,
    value: { ...must(written), leftOut: [] },
  });
  expect(examine(to, false).diagnoses).toEqual([]);
  const context = openContext({
    dataDir: to,
    migrationsDir: join(process.cwd(), 'src/store/migrations'),
    workers: join(process.cwd(), 'dist/workers'),
  });
  expect(loadShell(context.blobs, stateOf(to))).toEqual(loadShell(data.context.blobs, stateOf()));
  expect(context.blobs.list()).toEqual(data.context.blobs.list());
  await context.close();
});

test('a folder that an earlier Currycomb used is looked over, and its backup read', async () => {
  const to = join(data.folder, 'earlier');
  must(await readBackup(join(data.folder, 'one.backup'), to, migrations));
  const file = new Database(join(to, 'currycomb.sqlite'));
  file.exec('ALTER TABLE versions DROP COLUMN notes_blob; ALTER TABLE incomings DROP COLUMN notes_blob');
  file.exec('DROP TABLE owner_answers; DROP TABLE shell_probes');
  file.close();
  const found = examine(to, false);
  expect(found).toMatchObject({ shells: 1, diagnoses: [] });
  expect(mend(to, { ...found, diagnoses: [unusedBlobs] })).toEqual(['blob-unused']);
  expect(examine(to, false)).toMatchObject({ blobs: found.blobs, diagnoses: [] });
  const again = join(data.folder, 'earlier.backup');
  must(await writeBackup(to, again, '2027-01-04T09:00:00Z'));
  expect(must(await readBackup(again, join(data.folder, 'earlier-restored'), migrations))).toMatchObject({
    shells: 1,
  });
});

test('a backup is never written over something, and only whole ones are read, into an empty folder', async () => {
  const file = join(data.folder, 'two.backup');
  await writeBackup(data.dataDir, file, '2027-01-04T09:00:00Z');
  const again = await writeBackup(data.dataDir, file, '2027-01-04T09:00:00Z');
  expect(again.ok ? '' : again.trouble.code).toBe('backup-exists');
  const bytes = readFileSync(file);
  const damaged = join(data.folder, 'damaged.backup');
  const middle = Buffer.from(bytes);
  const half = Math.floor(bytes.length / 2);
  middle.fill(0, half, half + 200);
  writeFileSync(damaged, middle);
  const read = await readBackup(damaged, join(data.folder, 'nowhere'), migrations);
  expect(read.ok ? '' : read.trouble.message).toMatch(/^The backup is damaged: /);
  expect(existsSync(join(data.folder, 'nowhere'))).toBe(false);
  const full = await readBackup(file, data.dataDir, migrations);
  expect(full.ok ? '' : full.trouble.code).toBe('restore-not-empty');
  const none = await readBackup('demo/out/hyd-214/HYD-214.imscc', join(data.folder, 'nowhere'), migrations);
  expect(none.ok ? '' : none.trouble.code).toBe('restore-no-backup');
});

test('files that pass through are gone within the hour, unless a job is still to read them', () => {
  const { context } = data;
  const uploads = passingFolder(data.dataDir, 'uploads');
  const old = new Date(Date.now() - 2 * 60 * 60_000);
  for (const name of ['old', 'needed']) {
    writeFileSync(join(uploads, name), 'x');
    utimesSync(join(uploads, name), old, old);
  }
  writeFileSync(join(uploads, 'young'), 'x');
  context.db
    .insert(jobs)
    .values({
      id: 'waits',
      kind: 'bring-in',
      state: 'paused',
      input: `{"dispose":["${join(uploads, 'needed')}"]}`,
      done: 0,
      total: 1,
      doing: 'Waiting',
      createdAt: '2027-01-04',
    })
    .run();
  expect(clearLeftovers(context, Date.now())).toBe(1);
  expect(readdirSync(uploads).sort()).toEqual(['needed', 'young']);
  context.db.delete(jobs).where(eq(jobs.id, 'waits')).run();
  rmSync(uploads, { recursive: true });
});

test('an upload whose job is over is gone at the next start; one that nobody ordered yet is kept', () => {
  const file = (name: string) => join(passingFolder(data.dataDir, 'uploads'), name);
  const insert = (id: string, state: 'done' | 'waiting') =>
    data.context.db
      .insert(jobs)
      .values({ ...someJob, id, state, input: JSON.stringify({ dispose: [file(id)] }) })
      .run();
  insert('read-already', 'done');
  insert('still-to-read', 'waiting');
  for (const name of ['read-already', 'still-to-read', 'not-ordered']) writeFileSync(file(name), 'x');
  expect(clearReadUploads(data.context)).toBe(1);
  expect(readdirSync(dirname(file('x'))).sort()).toEqual(['not-ordered', 'still-to-read']);
  data.context.db
    .delete(jobs)
    .where(inArray(jobs.id, ['read-already', 'still-to-read']))
    .run();
  for (const name of ['still-to-read', 'not-ordered']) rmSync(file(name));
});

test('a database that vanished beside its blobs is never taken for an empty installation', () => {
  const bare = join(data.folder, 'bare');
  mkdirSync(join(bare, 'blobs'), { recursive: true });
  const open = () =>
    openContext({
      dataDir: bare,
      migrationsDir: join(process.cwd(), 'src/store/migrations'),
      workers: 'x',
    });
  expect(open).toThrow(StorageFault);
  expect(open).toThrow(/^The database currycomb.sqlite is missing from /);
  expect(existsSync(join(bare, 'currycomb.sqlite'))).toBe(false);
  expect(examine(bare, false).diagnoses.map(({ code }) => code)).toEqual(['database-missing']);
});
