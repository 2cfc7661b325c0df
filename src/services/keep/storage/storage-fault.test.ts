import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { sentenceOfDigest } from './fault-digest';
import { fullDisk, storageFault } from './storage-fault';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-fault-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const errorOf = (act: () => unknown): unknown => {
  try {
    act();
  } catch (error) {
    return error;
  }
  throw new Error('it was expected to fail');
};

// The errors are those of SQLite and Node themselves, made by doing what goes wrong.
test('a database that is full, locked, read-only or damaged is named with its folder', () => {
  const file = join(folder, 'a.sqlite');
  const one = new Database(file);
  one.exec('CREATE TABLE t (x)');
  one.pragma('max_page_count = 2');
  const full = errorOf(() => one.exec('INSERT INTO t VALUES (zeroblob(100000))'));
  const other = new Database(file, { timeout: 0 });
  one.exec('BEGIN EXCLUSIVE');
  const locked = errorOf(() => other.exec('INSERT INTO t VALUES (1)'));
  one.exec('ROLLBACK');
  other.close();
  one.close();
  const readonly = errorOf(() => new Database(file, { readonly: true }).exec('INSERT INTO t VALUES (1)'));
  writeFileSync(join(folder, 'b.sqlite'), 'this is no database at all, and it is long enough'.repeat(40));
  const damaged = errorOf(() => new Database(join(folder, 'b.sqlite')).exec('CREATE TABLE t (x)'));
  const missing = errorOf(() => new Database(join(folder, 'no', 'c.sqlite'), { fileMustExist: true }));
  expect(
    [full, locked, readonly, damaged].map((error) => storageFault(error, '/data')?.message.split('.')[0]),
  ).toEqual([
    'There is no room left on the disk that holds /data',
    'Another program holds the database in /data locked',
    'Currycomb may not write to /data',
    'The database in /data is damaged',
  ]);
  // better-sqlite3 says of a folder that is not there without a code of SQLite.
  expect(missing).toBeInstanceOf(TypeError);
  chmodSync(file, 0o600);
});

test('files that are missing, and what is no trouble of storage', () => {
  const missing = errorOf(() => rmSync(join(folder, 'nowhere')));
  expect(storageFault(missing, '/data')?.message).toMatch(
    /^Something that Currycomb keeps in \/data is missing/,
  );
  expect(storageFault(new TypeError('x is undefined'), '/data')).toBeNull();
  expect(storageFault('text', '/data')).toBeNull();
});

test('what a library wrapped is found, and an error that is its own cause does no harm', () => {
  const inner = Object.assign(new Error('database is locked'), { code: 'SQLITE_BUSY' });
  expect(storageFault(new Error('Failed to run the query', { cause: inner }), '/data')?.message).toMatch(
    /locked/,
  );
  const round: Error & { cause?: unknown } = new Error('round');
  round.cause = round;
  expect(storageFault(round, '/data')).toBeNull();
  const other = Object.assign(new Error('x', { cause: inner }), { code: 'ERR_OTHER' });
  expect(storageFault(other, '/data')?.message).toMatch(/locked/);
});

test('the sentence reaches the page through the digest', () => {
  const fault = storageFault(Object.assign(new Error('x'), { code: 'ENOSPC' }), '/data');
  expect(sentenceOfDigest(fault?.digest)).toBe(fault?.message);
  expect(sentenceOfDigest('3141592')).toBeNull();
  expect(sentenceOfDigest(undefined)).toBeNull();
});

test('a disk with room is not called full', () => {
  expect(fullDisk(folder)).toBeNull();
  expect(fullDisk(join(folder, 'nowhere'))).toBeNull();
});
