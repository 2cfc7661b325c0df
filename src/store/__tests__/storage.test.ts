import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { digest } from '@/core/refs/digest';
import type { Sha256 } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { BlobStore } from '../blobs';
import { openDatabase } from '../database';
import { lockFolder } from '../folder-lock';
import { Memo, prepareMemo } from '../memo';
import { loadBareShell, loadShell, saveShell } from '../state/keep-shell';

const folder = mkdtempSync(join(tmpdir(), 'currycomb-store-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const fresh = () => new BlobStore(mkdtempSync(join(folder, 'blobs-')));
const large = Buffer.alloc(400_000, 7);

/** A shell with a page, a style sheet and a file, as the second published form of a state keeps it. */
function sample() {
  const c = new ShellComposer();
  c.module('Week 1', { ref: 'm' });
  c.page('Gauges', '<p>Read the gauge.</p>', { ref: 'p', parent: 'm' });
  c.file('style.css', 'h1 { color: teal }');
  return c.shell();
}

describe('blobs', () => {
  test('small ones stand in the pack, large ones in files, equal ones once', () => {
    const blobs = fresh();
    const [a, b] = [blobs.put('small'), blobs.put(large)];
    expect([blobs.put('small'), blobs.put(large)]).toEqual([a, b]);
    expect(blobs.read(a)?.toString()).toBe('small');
    expect(blobs.read(b)?.equals(large)).toBe(true);
    blobs.flush();
    expect(blobs.list()).toEqual([a, b].sort());
    blobs.close();
  });

  test('what is damaged is not read as what it was', async () => {
    const dir = mkdtempSync(join(folder, 'blobs-'));
    const blobs = new BlobStore(dir);
    const [a, b] = [blobs.put('small'), blobs.put(large)];
    blobs.close();
    const pack = new Database(join(dir, 'pack.sqlite'));
    pack.prepare('UPDATE blobs SET bytes = ? WHERE hash = ?').run(Buffer.from('other'), a);
    pack.close();
    writeFileSync(join(dir, b.slice(0, 2), b), Buffer.alloc(400_000, 8));
    const again = new BlobStore(dir);
    expect([again.read(a), again.read(b), again.open(a)]).toEqual([null, null, null]);
    const reading = (async () => {
      for await (const _ of again.open(b)!);
    })();
    await expect(reading).rejects.toThrow(/damaged/);
    expect(() => loadBareShell(again, a)).toThrow(/is missing from Currycomb’s folder, or is damaged/);
    again.close();
  });

  test('a pack of the first form is read and written as it is', () => {
    const dir = mkdtempSync(join(folder, 'blobs-'));
    const pack = new Database(join(dir, 'pack.sqlite'));
    pack.pragma('journal_mode = WAL');
    pack.exec('CREATE TABLE blobs (hash TEXT PRIMARY KEY, bytes BLOB NOT NULL) WITHOUT ROWID');
    const old = digest('old');
    pack.prepare('INSERT INTO blobs (hash, bytes) VALUES (?, ?)').run(old, Buffer.from('old'));
    pack.close();
    const blobs = new BlobStore(dir);
    expect(blobs.put('old')).toBe(old);
    const added = blobs.put('new');
    blobs.flush();
    expect([old, added].map((hash) => blobs.read(hash)?.toString())).toEqual(['old', 'new']);
    expect(blobs.sweep([added])).toBe(1);
    expect(blobs.list()).toEqual([added]);
    blobs.close();
  });

  test('what arrives block by block appears only when it is whole', () => {
    const dir = mkdtempSync(join(folder, 'blobs-'));
    const blobs = new BlobStore(dir);
    const writing = blobs.begin();
    writing.write(large);
    expect(readdirSync(join(dir, 'new'))).toHaveLength(1);
    writing.abandon();
    expect([readdirSync(join(dir, 'new')), blobs.list()]).toEqual([[], []]);
    // What a killed process left is cleared away when the folder is opened again.
    blobs.begin().write(large);
    blobs.clearUnfinished();
    expect(readdirSync(join(dir, 'new'))).toEqual([]);
    blobs.close();
  });

  test('a sweep takes what no root holds, and nothing else', () => {
    const blobs = fresh();
    const kept = saveShell(blobs, sample());
    const other = saveShell(blobs, { ...sample(), title: 'Other' });
    blobs.put('left over');
    blobs.flush();
    expect(blobs.sweep([kept, other])).toBe(1);
    const before = blobs.list().length;
    expect(blobs.sweep([kept])).toBeGreaterThan(0);
    // Two shells that differ in their title alone share everything but one part.
    expect(before - blobs.list().length).toBe(2);
    expect(loadShell(blobs, kept)).toEqual(sample());
    expect(() => loadShell(blobs, other)).toThrow(/is missing from Currycomb’s folder/);
    blobs.close();
  });
});

describe('states of every published form open', () => {
  const fixtures = join(process.cwd(), 'src/store/__tests__/fixtures');
  test.each(['state-1', 'state-2'])('%s', (name) => {
    const blobs = fresh();
    const kept = JSON.parse(readFileSync(join(fixtures, `${name}.json`), 'utf8')) as {
      root: Sha256;
      blobs: string[];
    };
    for (const text of kept.blobs) blobs.put(text);
    expect(loadShell(blobs, kept.root)).toEqual(sample());
    blobs.close();
  });
  test('a form of a newer version is refused in words', () => {
    const blobs = fresh();
    const root = blobs.put(JSON.stringify({ form: 'currycomb.state/9' }));
    expect(() => loadShell(blobs, root)).toThrow(/kept by a later version of Currycomb, .*; update this one/);
    blobs.close();
  });
});

test('a folder is one process’s; the lock ends with it', () => {
  const dir = mkdtempSync(join(folder, 'locked-'));
  const script = `import('tsx/esm/api').then(async ({ tsImport }) => { const { lockFolder } = await tsImport('./src/store/folder-lock.ts', process.cwd() + '/x.js'); const lock = lockFolder(${JSON.stringify(dir)}); console.log(lock.ok ? 'taken' : lock.trouble.message); });`;
  const other = () => execFileSync('node', ['-e', script], { encoding: 'utf8' }).trim();
  expect(other()).toBe('taken');
  const lock = lockFolder(dir);
  if (!lock.ok) throw new Error(lock.trouble.message);
  expect(other()).toBe(
    `Another Currycomb (process ${process.pid}) already uses the folder ${dir}. Use that one, end it, or give this one a folder of its own with CURRYCOMB_DATA.`,
  );
  lock.value.release();
  expect(other()).toBe('taken');
});

test('what was worked out is kept for the same program alone', () => {
  const dir = mkdtempSync(join(folder, 'memo-'));
  prepareMemo(dir);
  const first = new Memo(dir, 'one');
  first.put([['a', Buffer.from('1')]]);
  first.close();
  const again = new Memo(dir, 'one');
  expect(again.get('a')?.toString()).toBe('1');
  again.close();
  const other = new Memo(dir, 'two');
  expect(other.get('a')).toBeNull();
  other.close();
});

test('what was worked out is ready for several threads before the first opens it, and never in the way', () => {
  const dir = mkdtempSync(join(folder, 'memo-'));
  expect(() => new Memo(dir, 'one')).toThrow();
  writeFileSync(
    join(dir, 'memo.sqlite'),
    'no database at all, though long enough to look like one'.repeat(20),
  );
  prepareMemo(dir);
  // Bytes 18 and 19 are 2 in a file with write-ahead logging (SQLite file format, 1.3).
  expect([...readFileSync(join(dir, 'memo.sqlite')).subarray(18, 20)]).toEqual([2, 2]);
  const first = new Memo(dir, 'one');
  first.put([['a', Buffer.from('1')]]);
  const beside = new Memo(dir, 'one');
  prepareMemo(dir);
  expect(beside.get('a')?.toString()).toBe('1');
  first.close();
  beside.close();
});

test('a database of the version before is brought up: runs and their ledger stay, what must be combed again is not there', () => {
  const dir = mkdtempSync(join(folder, 'old-'));
  const old = new Database(join(dir, 'currycomb.sqlite'));
  const migrations = join(process.cwd(), 'src/store/migrations');
  const journal = JSON.parse(readFileSync(join(migrations, 'meta/_journal.json'), 'utf8')) as {
    entries: { tag: string; when: number }[];
  };
  old.exec(
    'CREATE TABLE __drizzle_migrations (id SERIAL PRIMARY KEY, hash text NOT NULL, created_at numeric)',
  );
  for (const { tag, when } of journal.entries.slice(0, 3)) {
    old.exec(readFileSync(join(migrations, `${tag}.sql`), 'utf8').replaceAll('--> statement-breakpoint', ''));
    old.prepare('INSERT INTO __drizzle_migrations (hash, created_at) VALUES (?, ?)').run(tag, when);
  }
  old.exec(`
    INSERT INTO shells (id, code, title, term_title, as_of, role, version_id, created_at) VALUES ('s', 'A 1', 'T', '', '2027-01-04', '', 'v2', 'x');
    INSERT INTO versions (id, shell_id, state_blob, fingerprint, inventory, sketch, intake, created_at) VALUES ('v1', 's', 'b1', 'f', '{}', '{}', '[]', 'x'), ('v2', 's', 'b2', 'f', '{}', '{}', '[]', 'x');
    INSERT INTO audits (id, shell_id, version_id, audit, milliseconds, combed_at) VALUES ('a', 's', 'v1', '{}', 1, 'x');
    INSERT INTO runs (id, shell_id, before_version, after_version, state, edits_blob, summary, audit_before, started_at, finished_at) VALUES ('r', 's', 'v1', 'v2', 'done', 'e', '{}', 'a', 'x', 'y');
    INSERT INTO ledger (run_id, direction, action, targets, titles, outcome, at) VALUES ('r', 'do', 'delete', '["x"]', '["X"]', 'done', 'y');
    INSERT INTO accepted (shell_id, finding_id, accepted_at) VALUES ('s', 'f', 'x');
  `);
  old.close();
  const db = openDatabase(dir, migrations);
  const all = (query: string) => db.$client.prepare(query).all();
  expect(all('SELECT id, version_id, plan_size FROM shells')).toEqual([
    { id: 's', version_id: 'v2', plan_size: 0 },
  ]);
  expect(all('SELECT id, state, before_version, after_version, audit_before FROM runs')).toEqual([
    { id: 'r', state: 'done', before_version: 'v1', after_version: 'v2', audit_before: null },
  ]);
  expect(all('SELECT run_id, action, titles, state FROM operations')).toEqual([
    { run_id: 'r', action: 'delete', titles: '["X"]', state: 'done' },
  ]);
  expect(all('SELECT 1 FROM audits')).toEqual([]);
  expect(db.$client.pragma('foreign_key_check')).toEqual([]);
  db.$client.close();
});
