import { execFile } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import Database from 'better-sqlite3';
import { openArchive } from '@/formats/archive/read-archive';
import { rawZip, type RawEntry } from '@/services/__tests__/raw-zip';
import { Server } from './server';

/** What a hostile folder or backup is tried on. */
export interface FolderPlace {
  readonly server: Server;
  /** A folder for what is made on the way. */
  readonly scratch: string;
  /** A file that nobody may read, change or remove. */
  readonly treasure: string;
  /** A backup of a good data folder. */
  readonly backup: string;
}

/** Something that lies in a folder, and would lead elsewhere. */
export interface HostileFolder {
  readonly what: string;
  readonly reader: 'watched folder' | 'backup' | 'data folder';
  attempt(place: FolderPlace): Promise<string>;
}

const cli = (...args: readonly string[]): Promise<{ readonly code: number; readonly said: string }> =>
  new Promise((resolve) => {
    execFile('node', ['dist/cli.mjs', ...args], { timeout: 60_000 }, (error, out, err) => {
      const code = typeof error?.code === 'number' ? error.code : Number(error !== null);
      resolve({ code, said: `${out}${err}`.trim() });
    });
  });
/** A stack trace is no sentence. */
const toldBy = ({ code, said }: { readonly code: number; readonly said: string }): string => {
  if (/\n\s+at |node:internal/.test(said)) return `error: ${said.slice(0, 200)}`;
  return code === 0 ? 'read' : `refused: ${said.slice(0, 300)}`;
};

/** Has a folder watched, or tells why not; then it is given time, and let go. */
async function watch(server: Server, path: string): Promise<string> {
  const set = await server.ask('/api/watched-folder', { path }, 'PUT');
  if (set.status >= 400) return `refused: ${set.value.trouble ?? '(nothing)'}`;
  await pause(2_500);
  await server.ask('/api/watched-folder', { path: '' }, 'PUT');
  return 'read';
}

const watchedLinks = (what: string, lay: (folder: string, place: FolderPlace) => void): HostileFolder => ({
  what,
  reader: 'watched folder',
  attempt: async (place) => {
    const folder = join(place.scratch, 'watched');
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder);
    lay(folder, place);
    return watch(place.server, folder);
  },
});

/** A backup after a stranger had its database in their hands is restored, and a server started on it. */
const tampered = (
  what: string,
  tamper: (db: Database.Database, place: FolderPlace) => void,
): HostileFolder => ({
  what,
  reader: 'backup',
  attempt: async (place) => {
    const packed = join(place.scratch, 'tampered.backup');
    const restored = join(place.scratch, 'restored');
    for (const path of [restored, packed]) rmSync(path, { recursive: true, force: true });
    const entries = await entriesOf(place.backup);
    const spoiled = entries.map((entry) =>
      entry.path === 'currycomb.sqlite'
        ? { ...entry, data: tamperedBytes(entry.data, tamper, place) }
        : entry,
    );
    writeFileSync(packed, rawZip(spoiled));
    const read = await cli('restore', packed, restored);
    return read.code === 0 ? startOn(restored) : toldBy(read);
  },
});

async function entriesOf(file: string): Promise<readonly RawEntry[]> {
  const archive = await openArchive(file, file);
  if (!archive.ok) throw new Error(archive.trouble.message);
  const entries = archive.value.entries.map(({ path }) => {
    const bytes = archive.value.read(path);
    if (!bytes.ok) throw new Error(bytes.trouble.message);
    return { path, data: bytes.value };
  });
  archive.value.close();
  return entries;
}

function tamperedBytes(
  bytes: Buffer,
  tamper: (db: Database.Database, place: FolderPlace) => void,
  place: FolderPlace,
): Buffer {
  const db = new Database(bytes);
  tamper(db, place);
  const spoiled = db.serialize();
  db.close();
  return spoiled;
}

/** Starts a server on a folder and asks it for its list; what it came to. */
async function startOn(folder: string): Promise<string> {
  const server = new Server(folder);
  const code = await server.start();
  if (code !== null) return toldBy({ code, said: server.said });
  const { status, text } = await server.page('/');
  await pause(1_000);
  await server.stop();
  return status < 400 ? 'read' : `refused: ${text.slice(0, 100)}`;
}

const job = (db: Database.Database, kind: string, input: unknown) =>
  db
    .prepare(
      "INSERT INTO jobs (id, kind, state, input, done, total, doing, created_at) VALUES (?, ?, 'waiting', ?, 0, 1, '', '')",
    )
    .run(`job-${kind}`, kind, JSON.stringify(input));

/** A copy of the restored good folder, changed while no server works on it. */
const spoiledFolder = (what: string, spoil: (folder: string) => void): HostileFolder => ({
  what,
  reader: 'data folder',
  attempt: async (place) => {
    const folder = join(place.scratch, 'spoiled');
    rmSync(folder, { recursive: true, force: true });
    const restored = await cli('restore', place.backup, folder);
    if (restored.code !== 0) return `error: ${restored.said}`;
    spoil(folder);
    const doctor = toldBy(await cli('doctor', '--data', folder));
    return doctor.startsWith('error') ? doctor : startOn(folder);
  },
});

export const hostileFolders: readonly HostileFolder[] = [
  watchedLinks('links to files outside', (folder, { treasure }) => {
    symlinkSync(treasure, join(folder, 'package.imscc'));
    symlinkSync('/etc/passwd', join(folder, 'status.csv'));
  }),
  watchedLinks('a link to everything', (folder) => symlinkSync('/', join(folder, 'all'))),
  watchedLinks('a link to itself', (folder) => symlinkSync(folder, join(folder, 'again'))),
  watchedLinks('names with backslashes and bytes that are no UTF-8', (folder) => {
    writeFileSync(join(folder, '..\\..\\evil.imscc'), 'x');
    writeFileSync(
      Buffer.concat([Buffer.from(`${folder}/`), Buffer.from([0xff, 0xfe]), Buffer.from('.imscc')]),
      'x',
    );
  }),
  {
    what: 'the data folder by way of a link',
    reader: 'watched folder',
    attempt: async ({ server, scratch }) => {
      const link = join(scratch, 'to-data');
      rmSync(link, { force: true });
      symlinkSync(server.dataDir, link);
      return watch(server, link);
    },
  },
  {
    what: 'everything by way of a link',
    reader: 'watched folder',
    attempt: async ({ server, scratch }) => {
      const link = join(scratch, 'to-root');
      rmSync(link, { force: true });
      symlinkSync('/', link);
      return watch(server, link);
    },
  },
  tampered('jobs that read and remove a file', (db, { treasure }) => {
    const inputs = { package: { path: treasure, name: 'x' }, today: '2027-01-04' };
    job(db, 'bring-in', { inputs, role: '', dispose: [treasure] });
    job(db, 'backup', { file: treasure, id: 'x', now: '2027-01-04T09:00:00Z' });
  }),
  tampered('triggers and views', (db) => {
    db.exec('CREATE TRIGGER spoil AFTER UPDATE ON shells BEGIN DELETE FROM versions; END');
    db.exec('CREATE TRIGGER jobs_in AFTER INSERT ON versions BEGIN DELETE FROM shells; END');
    db.exec('CREATE VIEW everything AS SELECT * FROM shells');
  }),
  tampered('switches and a watched folder', (db) => {
    db.exec("INSERT INTO switches (name, turned_on_at) VALUES ('link-probe', '2027-01-04')");
    db.exec("INSERT INTO watched_folders (id, path, since) VALUES ('folder', '/etc', '2027-01-04')");
  }),
  tampered('columns that hold blobs and numbers', (db) => {
    db.exec("UPDATE shells SET title = x'ff00ff'");
  }),
  {
    what: 'a backup cut short',
    reader: 'backup',
    attempt: async ({ backup, scratch }) => {
      const cut = join(scratch, 'cut.backup');
      writeFileSync(cut, readFileSync(backup).subarray(0, 5_000));
      return toldBy(await cli('restore', cut, join(scratch, 'from-cut')));
    },
  },
  {
    what: 'a backup into a folder that holds something',
    reader: 'backup',
    attempt: async ({ backup, server }) => toldBy(await cli('restore', backup, server.dataDir)),
  },
  spoiledFolder('an emptied database', (folder) => {
    rmSync(join(folder, 'currycomb.sqlite'));
    new Database(join(folder, 'currycomb.sqlite')).close();
    writeFileSync(join(folder, 'currycomb.sqlite'), '');
  }),
  spoiledFolder('a database of a later version', (folder) => {
    const db = new Database(join(folder, 'currycomb.sqlite'));
    db.exec("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('later', 99999999999999)");
    db.close();
  }),
  spoiledFolder('a database that is a folder', (folder) => {
    rmSync(join(folder, 'currycomb.sqlite'));
    mkdirSync(join(folder, 'currycomb.sqlite'));
  }),
  spoiledFolder('blobs that are a link to another file', (folder) => {
    const pack = join(folder, 'blobs', 'pack.sqlite');
    cpSync(pack, `${folder}.pack`);
    rmSync(pack);
    symlinkSync(`${folder}.pack`, pack);
  }),
  {
    what: 'a folder that is missing',
    reader: 'data folder',
    attempt: async ({ scratch }) => toldBy(await cli('doctor', '--data', join(scratch, 'nowhere'))),
  },
];

/** A file that nobody touches is as it was. */
export const isUntouched = (treasure: string): boolean =>
  existsSync(treasure) && readFileSync(treasure, 'utf8') === 'kept for years';
