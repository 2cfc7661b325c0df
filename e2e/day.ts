import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { examine } from '@/services/do/storage/doctor/examine';
import { writeSection } from './reliability-report';
import { Server } from './server';

/**
 * A day in ten minutes: operations drawn at random over thirty shells, several at once, as people work; then the doctor
 * looks the folder over. `npm run day -- 2000 20261128`.
 */
const wanted = Number(process.argv[2] ?? 2_000);
const seed = Number(process.argv[3] ?? 20261128);
const mostShells = 30;
const atOnce = 3;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-day-'));
const server = new Server(join(folder, 'data'));
const packages = ['lib-101/LIB-101.imscc', 'hyd-214/HYD-214.imscc', 'hyd-214-e/HYD-214-E.imscc'].map(
  (name) => new Uint8Array(readFileSync(`demo/out/${name}`)),
);

let random = seed;
/** A number from 0 up to a bound, the same for the same seed (Park and Miller, 1988: the minimal standard generator). */
function draw(bound: number): number {
  random = (random * 48_271) % 2_147_483_647;
  return random % bound;
}
const oneOf = <T>(list: readonly T[]): T | undefined => list[draw(Math.max(1, list.length))];

/** What the server itself knows, read beside it. */
function look<T>(read: (db: Database.Database) => T): T {
  const db = new Database(join(server.dataDir, 'currycomb.sqlite'), { readonly: true, timeout: 20_000 });
  try {
    return read(db);
  } finally {
    db.close();
  }
}
const shellIds = () => look((db) => db.prepare('SELECT id FROM shells').pluck().all() as string[]);

const counts = new Map<string, { done: number; refused: number; slowest: number }>();
const faults: string[] = [];

/** Follows a job to its end; what is refused with a sentence is right, an error of our own is not. */
async function follow(path: string, body?: unknown): Promise<boolean> {
  const followed = await server.follow(path, body, 300_000);
  if (followed.done) return true;
  const isOurs = followed.status >= 500 || followed.told.includes('in Currycomb itself');
  if (isOurs) faults.push(`${path}: ${followed.status} ${followed.told}`);
  return false;
}

async function bringIn(): Promise<boolean> {
  if (shellIds().length >= mostShells) return false;
  const { value } = await server.upload(packages[draw(packages.length)] ?? new Uint8Array());
  return follow('/api/bring-in', {
    package: { id: value.id, name: 'day.imscc' },
    code: `DAY ${draw(900)}`,
    termStart: '2027-01-11',
    termEnd: '2027-05-07',
    asOf: '2027-01-04',
  });
}

async function decideIn(id: string): Promise<boolean> {
  const findings = look(
    (db) =>
      db
        .prepare(
          'SELECT f.id FROM findings f JOIN audits a ON a.id = f.audit_id JOIN shells s ON s.version_id = a.version_id WHERE s.id = ? AND f.step IS NOT NULL',
        )
        .pluck()
        .all(id) as string[],
  );
  if (!findings.length) return false;
  const chosen = findings.filter(() => draw(4) === 0).slice(0, 200);
  const decision = oneOf(['accept', 'accept', 'leave-be', 'ask', 'later', 'reopen']);
  const { status, value } = await server.ask(`/api/shells/${id}/decisions`, { decision, findings: chosen });
  if (status >= 500) faults.push(`decide: ${status} ${value.trouble}`);
  return status === 200;
}

async function visit(id: string): Promise<boolean> {
  const page = oneOf([
    'comb',
    'decide',
    'decide/outline',
    'decide/calendar',
    'rehearse',
    'carry-out',
    'prove',
    'bring-in',
  ]);
  const { status, text } = await server.wholePage(`/shells/${id}/${page}`);
  if (status >= 500) faults.push(`/${page}: ${status} ${text.slice(0, 100)}`);
  return status === 200;
}

async function fetchExport(id: string): Promise<boolean> {
  const what = oneOf(['package', 'events', 'due-dates', 'grades', 'status', 'state']);
  const response = await fetch(`${server.address}/api/shells/${id}/export?what=${what}`);
  await response.arrayBuffer();
  if (response.status >= 500) faults.push(`export ${what}: ${response.status}`);
  return response.status === 200;
}

async function takeBack(id: string): Promise<boolean> {
  const runId = look(
    (db) =>
      db
        .prepare("SELECT id FROM runs WHERE shell_id = ? AND state = 'done' ORDER BY finished_at DESC")
        .pluck()
        .get(id) as string | undefined,
  );
  return runId ? follow(`/api/shells/${id}/undo`, { runId }) : false;
}

async function remove(id: string): Promise<boolean> {
  if (shellIds().length < mostShells / 2) return false;
  const code = look((db) => db.prepare('SELECT code FROM shells WHERE id = ?').pluck().get(id) as string);
  const { status, value } = await server.ask(`/api/shells/${id}`, { typed: code }, 'DELETE');
  if (status >= 500) faults.push(`remove: ${status} ${value.trouble}`);
  return status === 200;
}

const base = (id: string) => `/api/shells/${id}`;
const operations: readonly {
  readonly name: string;
  readonly often: number;
  readonly run: (id: string) => Promise<boolean>;
}[] = [
  { name: 'bring in', often: 6, run: bringIn },
  { name: 'comb', often: 10, run: (id) => follow(`${base(id)}/comb`) },
  { name: 'decide', often: 20, run: decideIn },
  { name: 'rehearse', often: 12, run: (id) => follow(`${base(id)}/rehearse`) },
  { name: 'carry out', often: 10, run: (id) => follow(`${base(id)}/run`) },
  { name: 'take back', often: 6, run: takeBack },
  { name: 'export', often: 8, run: fetchExport },
  { name: 'open a page', often: 30, run: visit },
  { name: 'list of shells', often: 10, run: async () => (await server.page('/')).status === 200 },
  { name: 'remove', often: 2, run: remove },
];
const deck = operations.flatMap((operation) => Array.from({ length: operation.often }, () => operation));

async function work(): Promise<void> {
  while (done < wanted && faults.length < 20) {
    done += 1;
    const operation = oneOf(deck);
    const id = oneOf(shellIds()) ?? '';
    if (!operation || (id === '' && operation.name !== 'bring in')) continue;
    const begun = performance.now();
    const isDone = await operation.run(id).catch((error: unknown) => {
      faults.push(`${operation.name}: ${String(error)}`);
      return false;
    });
    const row = counts.get(operation.name) ?? { done: 0, refused: 0, slowest: 0 };
    counts.set(operation.name, {
      done: row.done + (isDone ? 1 : 0),
      refused: row.refused + (isDone ? 0 : 1),
      slowest: Math.max(row.slowest, performance.now() - begun),
    });
    if (done % 50 === 0) process.stdout.write(`\r${done} of ${wanted}, ${faults.length} faults `);
    if (done % 250 === 0) memory.push(server.memory().now / 1024 ** 2);
  }
}
let done = 0;
const memory: number[] = [];

await server.start();
for (let n = 0; n < mostShells; n += 1) await bringIn();
const begun = performance.now();
await Promise.all(Array.from({ length: atOnce }, work));
const minutes = (performance.now() - begun) / 60_000;
for (let tries = 0; tries < 600 && !(await server.ask<{ idle: boolean }>('/health')).value.idle; tries += 1)
  await new Promise((resolve) => setTimeout(resolve, 100));
await server.stop();
await server.start();
for (let tries = 0; tries < 600 && !(await server.ask<{ idle: boolean }>('/health')).value.idle; tries += 1)
  await new Promise((resolve) => setTimeout(resolve, 100));
await server.stop();
const found = examine(server.dataDir, false);
process.stdout.write(
  `\n${found.diagnoses.map(({ sentence }) => sentence).join('\n')}\n${faults.join('\n')}\n`,
);
const rows = [...counts].map(
  ([name, { done: n, refused, slowest }]) =>
    `| ${name} | ${n} | ${refused} | ${Math.round(slowest).toLocaleString('en')} ms |`,
);
writeSection(
  'A day in ten minutes',
  `\`npm run day -- ${wanted} ${seed}\` of ${new Date().toISOString().slice(0, 10)}: ${done.toLocaleString('en')} operations at random over ${mostShells} shells, ${atOnce} at a time, in ${minutes.toFixed(1)} minutes. Errors of the server: **${faults.length}**. The doctor afterwards: **${found.diagnoses.length === 0 ? 'nothing is wrong' : found.diagnoses.map(({ sentence }) => sentence).join(' ')}** (${found.shells} shells, ${found.versions} states, ${found.blobs} files). Memory of the server (resident, every 250 operations): ${memory.map((m) => Math.round(m)).join(', ')} MB. What is counted as refused had nothing to do, or was told why with a sentence.

| operation | done | refused | slowest |
|---|---:|---:|---:|
${rows.join('\n')}`,
);
rmSync(folder, { recursive: true, force: true });
process.exit(faults.length || found.diagnoses.length ? 1 : 0);
