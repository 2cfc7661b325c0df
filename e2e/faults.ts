import { execFileSync } from 'node:child_process';
import {
  closeSync,
  copyFileSync,
  mkdtempSync,
  openSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import Database from 'better-sqlite3';
import { readAnswer, Server, type EndedJob } from './server';
import { writeSection } from './reliability-report';

/**
 * Storage goes wrong in every way that it can while each operation is tried: `npm run faults`. It is told in one
 * sentence, nothing is lost or left half done, and the same operation works when the cause is gone. Needs to be root,
 * for a small disk of its own (tmpfs), and a build.
 */
const disk = mkdtempSync(join(tmpdir(), 'currycomb-faults-'));
execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=96m', 'tmpfs', disk]);
const dataDir = join(disk, 'data');
const database = join(dataDir, 'currycomb.sqlite');
const packFile = join(dataDir, 'blobs', 'pack.sqlite');

interface Fault {
  readonly name: string;
  /** It is made while the server stands still, and the server is started with it. */
  readonly standing: boolean;
  make(server: Server): void | Promise<void>;
  mend(server: Server): void | Promise<void>;
  /** The environment that the server is started in. */
  readonly env?: Readonly<Record<string, string>>;
  /** It is no reason for an operation not to work. */
  readonly harmless?: boolean;
  /** Whether all that was written is whole is looked at after each operation. */
  readonly isLookedOver?: boolean;
}

/** Takes all the room of the disk. */
function fill(): void {
  const file = openSync(join(disk, 'ballast'), 'w');
  try {
    for (const size of [1024 ** 2, 64 * 1024, 4096, 512]) {
      const block = Buffer.alloc(size, 1);
      for (;;) {
        const written = tryWrite(file, block);
        if (!written) break;
      }
    }
  } finally {
    closeSync(file);
  }
}

function tryWrite(file: number, block: Buffer): boolean {
  try {
    return writeSync(file, block) === block.length;
  } catch {
    return false;
  }
}

/** Milliseconds between a disk that is full and one that has room again. */
const moment = 40;
let filling: NodeJS.Timeout | null = null;
/** The disk is full for a moment, again and again, so that writes are cut short wherever they happen to be. */
function fillAgainAndAgain(): void {
  const empty = () => {
    rmSync(join(disk, 'ballast'), { force: true });
    filling = setTimeout(full, moment);
  };
  const full = () => {
    fill();
    filling = setTimeout(empty, moment);
  };
  full();
}
function endFilling(): void {
  if (filling !== null) clearTimeout(filling);
  filling = null;
  rmSync(join(disk, 'ballast'), { force: true });
}

let held: Database.Database[] = [];
const hold = () => {
  held = [database, packFile].map((file) => new Database(file));
  for (const one of held) one.exec('BEGIN IMMEDIATE');
};
const letGo = () => {
  for (const one of held) one.close();
};

/** Mounts the disk anew, as soon as the processes of the server that was ended have let go of it. */
async function mountAgain(how: 'ro' | 'rw'): Promise<void> {
  for (let tries = 0; ; tries += 1) {
    try {
      execFileSync('mount', ['-o', `remount,${how}`, disk], { stdio: 'pipe' });
      return;
    } catch (error) {
      if (tries === 50) throw error;
      await pause(100);
    }
  }
}

const setAside = (file: string) => renameSync(file, `${file}.aside`);
const putBack = (file: string) => renameSync(`${file}.aside`, file);
function damage(file: string): void {
  copyFileSync(file, `${file}.aside`);
  const bytes = readFileSync(file);
  bytes.fill(0x5a, 0, Math.min(bytes.length, 64 * 1024));
  writeFileSync(file, bytes);
}
/** The log that belongs to a database that stands still is written into it first. */
function checkpoint(file: string): void {
  const one = new Database(file);
  one.pragma('wal_checkpoint(TRUNCATE)');
  one.close();
}

const clockBack = join(disk, 'clock-back.cjs');
writeFileSync(
  clockBack,
  `const back = 400 * 86400000, Real = Date, now = Real.now;
Real.now = () => now() - back;
globalThis.Date = new Proxy(Real, {
  construct: (target, given, as) => Reflect.construct(target, given.length ? given : [now() - back], as),
  apply: () => new Real(now() - back).toString(),
});`,
);

const faults: readonly Fault[] = [
  { name: 'disk full', standing: false, make: fill, mend: () => rmSync(join(disk, 'ballast')) },
  {
    name: 'disk full at the start',
    standing: true,
    make: fill,
    mend: () => rmSync(join(disk, 'ballast')),
  },
  {
    name: 'disk full for moments',
    standing: false,
    make: fillAgainAndAgain,
    mend: endFilling,
    isLookedOver: true,
  },
  { name: 'database locked', standing: false, make: hold, mend: letGo },
  {
    name: 'folder read-only',
    standing: true,
    make: () => mountAgain('ro'),
    mend: () => mountAgain('rw'),
  },
  {
    name: 'database damaged',
    standing: true,
    make: () => {
      checkpoint(database);
      damage(database);
    },
    mend: () => putBack(database),
  },
  {
    name: 'database missing',
    standing: true,
    make: () => {
      checkpoint(database);
      setAside(database);
    },
    mend: () => {
      rmSync(database, { force: true });
      putBack(database);
    },
  },
  {
    name: 'database emptied',
    standing: true,
    make: () => {
      checkpoint(database);
      setAside(database);
      writeFileSync(database, '');
    },
    mend: () => {
      for (const ending of ['', '-wal', '-shm']) rmSync(`${database}${ending}`, { force: true });
      putBack(database);
    },
  },
  {
    name: 'database of a later version',
    standing: true,
    make: () => {
      checkpoint(database);
      copyFileSync(database, `${database}.aside`);
      const db = new Database(database);
      db.exec("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('later', 99999999999999)");
      db.close();
    },
    mend: () => {
      for (const ending of ['', '-wal', '-shm']) rmSync(`${database}${ending}`, { force: true });
      putBack(database);
    },
  },
  {
    name: 'blobs damaged',
    standing: true,
    make: () => {
      checkpoint(packFile);
      damage(packFile);
    },
    mend: () => putBack(packFile),
  },
  {
    name: 'blobs missing',
    standing: true,
    make: () => {
      checkpoint(packFile);
      setAside(packFile);
    },
    mend: () => {
      for (const ending of ['', '-wal', '-shm']) rmSync(`${packFile}${ending}`, { force: true });
      putBack(packFile);
    },
  },
  {
    name: 'clock set back 400 days',
    standing: true,
    make: () => undefined,
    mend: () => undefined,
    env: { NODE_OPTIONS: `--require ${clockBack}` },
    harmless: true,
  },
  {
    name: 'a second server on the folder',
    standing: false,
    make: async () => {
      const second = new Server(dataDir);
      const code = await second.start();
      if (code !== 1) throw new Error(`the second server ended with ${code}`);
      secondSaid = second.said.split('\n').find((line) => line.startsWith('Another')) ?? second.said;
    },
    mend: () => undefined,
    harmless: true,
  },
];
let secondSaid = '';

/** What an operation came to: done, or what the person was told. */
type Outcome =
  | { readonly done: true; readonly result: string }
  | {
      readonly done: false;
      readonly told: string;
      /** The job that was ordered and goes on by itself as soon as the cause is gone. */
      readonly waitingJob?: string;
    };
const told = (sentence: string | null | undefined): Outcome => ({
  done: false,
  told: sentence ?? '(nothing)',
});

const packageBytes = new Uint8Array(readFileSync('demo/out/hyd-214/HYD-214.imscc'));
let shellId = '';
let runId = '';

/** Orders a job; waits until it is over, or says for five seconds why it can’t be begun. */
async function ordered(server: Server, path: string, body: unknown = {}): Promise<Outcome> {
  const { status, value } = await server.ask<{ jobId?: string }>(path, body);
  const { jobId } = value;
  if (jobId === undefined) return told(value.trouble ?? `(status ${status} without a sentence)`);
  const until = Date.now() + 60_000;
  let heldSince: number | null = null;
  while (Date.now() < until) {
    const job = (await server.ask<WatchedJob>(`/api/jobs/${jobId}`)).value;
    if (job.state === 'done') return { done: true, result: job.result ?? '' };
    if (job.state === 'failed' || job.state === 'cancelled') return told(job.trouble);
    const reason = /^Waiting\. (.+)/.exec(job.doing)?.[1];
    if (reason === undefined) heldSince = null;
    else heldSince ??= Date.now();
    if (reason !== undefined && Date.now() - (heldSince ?? 0) > 5_000)
      return { done: false, told: reason, waitingJob: jobId };
    await pause(20);
  }
  throw new Error(`the job ${jobId} runs for ever`);
}
async function endOf(server: Server, jobId: string): Promise<Outcome> {
  const job = await server.ended(jobId);
  return job.state === 'done' ? { done: true, result: job.result ?? '' } : told(job.trouble);
}
interface WatchedJob extends EndedJob {
  readonly doing: string;
}

const operations: Readonly<Record<string, (server: Server) => Promise<Outcome>>> = {
  'bring in': async (server) => {
    const { value } = await server.upload(packageBytes);
    if (!value.id) return told(value.trouble);
    const outcome = await ordered(server, '/api/bring-in', {
      package: { id: value.id, name: 'HYD-214.imscc' },
      code: 'HYD 214',
      termStart: '2027-01-11',
      termEnd: '2027-05-07',
      asOf: '2027-01-04',
    });
    if (outcome.done) shellId = (JSON.parse(outcome.result) as { shellId: string }).shellId;
    return outcome;
  },
  comb: (server) => ordered(server, `/api/shells/${shellId}/comb`),
  decide: async (server) => {
    const { status, value } = await server.ask(`/api/shells/${shellId}/decisions`, {
      decision: 'accept',
      findings: findingsToAccept(),
    });
    return status === 200 ? { done: true, result: '' } : told(value.trouble);
  },
  rehearse: (server) => ordered(server, `/api/shells/${shellId}/rehearse`),
  'carry out': async (server) => {
    const outcome = await ordered(server, `/api/shells/${shellId}/run`);
    if (outcome.done) runId = latestRun();
    return outcome;
  },
  'take back': (server) => ordered(server, `/api/shells/${shellId}/undo`, { runId }),
  export: async (server) => {
    const response = await fetch(`${server.address}/api/shells/${shellId}/export?what=package`);
    const bytes = await response.arrayBuffer();
    if (response.status === 200) return { done: true, result: String(bytes.byteLength) };
    return told(readAnswer(Buffer.from(bytes).toString()).trouble);
  },
};

/** What is asked of the database while the server stands still or works: nothing is written. */
function look<T>(read: (db: Database.Database) => T): T {
  const db = new Database(database, { readonly: true, timeout: 5_000 });
  try {
    return read(db);
  } finally {
    db.close();
  }
}
const latestRun = () =>
  look((db) => String(db.prepare("SELECT id FROM runs WHERE state = 'done'").pluck().get()));
const findingsToAccept = () => acceptable;
let acceptable: string[] = [];
const readAcceptable = () =>
  look(
    (db) =>
      db
        .prepare(
          "SELECT id FROM findings WHERE step IS NOT NULL AND \"check\" IN ('orphan.unused-file', 'duplicate.repeated-import', 'calendar.outside-term')",
        )
        .pluck()
        .all() as string[],
  );
/** All that a person would miss, as one text: shells with their states, decisions, runs. */
const whatIsKept = () =>
  look((db) =>
    JSON.stringify([
      db
        .prepare(
          'SELECT s.code, v.fingerprint FROM shells s JOIN versions v ON v.id = s.version_id ORDER BY s.id',
        )
        .all(),
      db.prepare('SELECT count(*) AS n FROM plan_steps').all(),
      db.prepare("SELECT state FROM runs WHERE state IN ('done', 'undone')").all(),
    ]),
  );

const failures: string[] = [];
const rows: string[] = [];
const inCell = (text: string) => text.replaceAll(disk, '').replaceAll('|', '\\|').replaceAll('\n', ' ');

/** Each door says the sentence, and none an error of its own. */
async function lookAtDoors(server: Server, fault: Fault, operation: string): Promise<void> {
  for (const path of ['/', '/house-rules', '/health', ...(shellId ? [`/shells/${shellId}/comb`] : [])]) {
    const { status, text } = await server.wholePage(path);
    if (
      status >= 500 &&
      !/room left|locked|may not write|damaged|missing|could not be read|emptied|empty|later version/.test(
        text,
      )
    )
      failures.push(
        `${fault.name}, ${operation}: ${path} answers ${status} without a reason: ${text.slice(0, 120)}`,
      );
  }
}

async function tryOperation(server: Server, fault: Fault, name: string): Promise<void> {
  const operate = operations[name];
  if (!operate) return;
  const before = shellId ? whatIsKept() : '';
  if (fault.standing) await server.stop();
  await fault.make(server);
  if (fault.standing) await server.start(fault.env);
  const first = await operate(server);
  const { said } = server;
  await lookAtDoors(server, fault, name);
  if (fault.standing) await server.stop();
  await fault.mend(server);
  if (fault.standing) await server.start();
  const standsStill = !first.done && first.waitingJob === undefined;
  if (standsStill && before && whatIsKept() !== before)
    failures.push(`${fault.name}, ${name}: something was lost or changed`);
  const again = first.done ? null : await untilItWorks(server, operate, first.waitingJob);
  if (fault.isLookedOver) await lookOver(server, fault, name);
  if (again && !again.done) failures.push(`${fault.name}, ${name}: it does not work again: ${again.told}`);
  if (first.done && !fault.harmless) workedAnyway.push(`${fault.name}: ${name}`);
  if (!first.done && fault.harmless) failures.push(`${fault.name}, ${name}: ${first.told}`);
  if (!first.done && /in Currycomb itself|\(nothing\)|\(no JSON|\(status/.test(first.told))
    failures.push(`${fault.name}, ${name}: no reason is told: ${first.told} ${said.slice(-2_000)}`);
  rows.push(`| ${fault.name} | ${name} | ${inTable(first)} |`);
  if (name === 'comb') acceptable = readAcceptable();
}
const workedAnyway: string[] = [];

function inTable(first: Outcome): string {
  if (first.done) return 'done | ';
  const afterwards = first.waitingJob !== undefined ? 'goes on by itself' : 'works';
  return `${inCell(first.told)} | ${afterwards}`;
}

/** Doctor finds nothing wrong in the folder while nobody works in it. */
async function lookOver(server: Server, fault: Fault, operation: string): Promise<void> {
  await server.stop();
  try {
    execFileSync('node', ['dist/cli.mjs', 'doctor', '--data', dataDir], { encoding: 'utf8', stdio: 'pipe' });
  } catch (error) {
    const said = String((error as { stdout?: unknown }).stdout ?? error).slice(0, 300);
    // What follows a job by itself may be under way when the server is ended; that is no damage.
    const isWhole = said
      .split('\n')
      .filter((line) => line.startsWith('- '))
      .every((line) => line.includes('cut off'));
    if (!isWhole) failures.push(`${fault.name}, ${operation}: doctor says: ${said}`);
  }
  await server.start();
}

/** What could not be written is written within seconds of when that is possible again. */
async function untilItWorks(
  server: Server,
  operate: (server: Server) => Promise<Outcome>,
  waitingJob?: string,
): Promise<Outcome> {
  let outcome = waitingJob === undefined ? await operate(server) : await endOf(server, waitingJob);
  for (let tries = 0; tries < 5 && !outcome.done; tries += 1) {
    await pause(1_000);
    outcome = await operate(server);
  }
  return outcome;
}

try {
  for (const fault of faults.filter(({ name }) => name.startsWith(process.argv[2] ?? ''))) {
    rmSync(dataDir, { recursive: true, force: true });
    shellId = '';
    const server = new Server(dataDir);
    await server.start();
    for (const name of Object.keys(operations)) {
      process.stdout.write(`\r${fault.name}: ${name}                    `);
      // Nothing is there yet that could be damaged.
      if (name === 'bring in' && /damaged|missing|emptied|later/.test(fault.name))
        await operations[name]?.(server);
      else await tryOperation(server, fault, name);
    }
    await server.stop();
  }
} finally {
  execFileSync('umount', ['-l', disk]);
}
process.stdout.write(`\n${failures.length} failures\n${failures.join('\n')}\n`);
writeSection(
  'Faults of storage',
  `\`npm run faults\` of ${new Date().toISOString().slice(0, 10)}: storage goes wrong while each operation is tried, on a disk of its own. What is told is the sentence that the person reads. After an operation that was refused everything stands as before; when the cause is gone the same operation is tried again. Broken rules: **${failures.length}**.

The second server ends with exit code 1 and says: “${inCell(secondSaid)}” Kills are tried apart, above.

| what is wrong | operation | what is told | when the cause is gone |
|---|---|---|---|
${rows.join('\n')}
${failures.map((failure) => `\n- ${inCell(failure)}`).join('')}`,
);
process.exit(failures.length ? 1 : 0);
