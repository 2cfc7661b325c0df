import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { CampusConnector } from '@/connectors/campus/campus-connector';
import { HostClient } from '@/connectors/campus/host-client';
import { Names } from '@/connectors/campus/names';
import type { NameThere } from '@/connectors/connector';
import { digest } from '@/core/refs/digest';
import type { Shell } from '@/core/shell/model';
import type { Sha256 } from '@/core/refs/refs';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { writeSection } from './reliability-report';
import { differencesOf } from '@/services/keep/runs/differences';
import { CampusHost } from '../stand-ins/campus/host';
import { SeededRandom } from '../stand-ins/campus/random';
import { seedShell } from '../stand-ins/campus/seed-shell';
import { startCampusHost, type RunningHost } from '../stand-ins/campus/serve';
import { noTroubles, type Troubles } from '../stand-ins/campus/troubles';
import { BlobStore } from '@/store/blobs';
import { loadShell } from '@/store/state/keep-shell';

/**
 * The server is killed at seeded moments while it carries out, takes back and resets on a campus host that has all
 * troubles at once. After each act host, store and ledger are compared. `npm run host-crashes -- 200` writes its part of
 * docs/reliability.md.
 */
const kills = Number(process.argv[2] ?? 200);
const seed = Number(process.argv[3] ?? 20261128);
const random = new SeededRandom(seed);
const folder = mkdtempSync(join(tmpdir(), 'currycomb-host-crashes-'));
const dataDir = join(folder, 'data');
const troubled: Troubles = {
  ...noTroubles,
  seed,
  slow: 2,
  fail: 0.2,
  drop: 0.05,
  stall: 120,
  expire: 40,
  restart: 150,
};
const pages = 150;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

interface Server {
  readonly process: ChildProcess;
  readonly address: string;
}
let port = 0;

async function start(): Promise<Server> {
  port ||= await freePort();
  const child = spawn('node', ['dist/server.mjs', '--port', String(port)], {
    env: {
      ...process.env,
      CURRYCOMB_DATA: dataDir,
      CURRYCOMB_HOST_PACE: 'quick',
      NEXT_TELEMETRY_DISABLED: '1',
    },
    stdio: 'ignore',
  });
  const address = `http://127.0.0.1:${port}`;
  for (let tries = 0; tries < 800; tries += 1) {
    const answer = await fetch(`${address}/api/house-rules`).catch(() => null);
    if (answer && answer.status < 500) return { process: child, address };
    await pause(25);
  }
  throw new Error('the server did not start');
}

async function kill({ process: child }: Server): Promise<void> {
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGKILL');
  await gone;
}

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });

async function post<T>(server: Server, path: string, body: unknown = {}): Promise<T> {
  const response = await fetch(`${server.address}${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: server.address },
    body: JSON.stringify(body),
  });
  const value = (await response.json()) as T & { trouble?: string };
  if (!response.ok) throw new Error(`${path}: ${value.trouble ?? response.status}`);
  return value;
}

function look<T>(read: (db: Database.Database) => T): T {
  const db = new Database(join(dataDir, 'currycomb.sqlite'), { readonly: true, timeout: 10_000 });
  try {
    return read(db);
  } finally {
    db.close();
  }
}
const one = <T>(sql: string, ...params: unknown[]): T =>
  look((db) =>
    db
      .prepare(sql)
      .pluck()
      .get(...params),
  ) as T;

async function untilIdle(): Promise<void> {
  for (let tries = 0; tries < 4800; tries += 1) {
    const busy = one<number>("SELECT count(*) FROM jobs WHERE state IN ('waiting', 'running')");
    if (busy === 0) return;
    await pause(25);
  }
  throw new Error('a job runs for ever');
}

function compose(): ShellComposer {
  const c = new ShellComposer();
  for (const week of [1, 2, 3]) c.module(`Week ${week}`, { ref: `w${week}` });
  for (let n = 0; n < pages; n += 1)
    c.page(`Page ${n}`, `<p>Text ${n} leads <a href="../page/p${(n * 7 + 3) % pages}.html">on</a>.</p>`, {
      ref: `p${n}`,
      parent: `w${1 + (n % 3)}`,
      path: `page/p${n}.html`,
    });
  for (let n = 0; n < 20; n += 1) c.file(`files/f${n}.txt`, `file ${n}`);
  return c;
}

/** The shell at the host as a reader of its own finds it, without troubles, by the names that the store knows. */
async function atHost(running: RunningHost, hostShell: string, shellId: string): Promise<Shell> {
  running.host.setTroubles(noTroubles);
  const names = look(
    (db) =>
      db
        .prepare('SELECT ref, there FROM host_names WHERE shell_id = ? ORDER BY id')
        .all(shellId) as NameThere[],
  );
  const client = new HostClient({ address: running.address, name: 'r.alder', secret: 'marsh-marigold' });
  const connector = new CampusConnector(client, {
    shell: hostShell,
    names: new Names(names),
    vault: { has: () => true, read: () => null, put: (bytes) => digest(bytes) },
    onHitch: () => {},
    onProgress: () => {},
  });
  const read = await connector.read();
  if (!read.ok) throw new Error(read.trouble.message);
  for (const edit of read.value.mends.slice(0, 3))
    failures.push(`links lead to what is there no more: ${JSON.stringify(edit).slice(0, 400)}`);
  running.host.setTroubles({ ...troubled, seed: random.below(1_000_000) });
  return read.value.shell;
}

function inStore(shellId: string): Shell {
  const hash = one<string>(
    'SELECT v.state_blob FROM shells s JOIN versions v ON v.id = s.version_id WHERE s.id = ?',
    shellId,
  );
  const blobs = new BlobStore(join(dataDir, 'blobs'));
  const shell = loadShell(blobs, hash as Sha256);
  blobs.close();
  return shell;
}

const counts = new Map<string, { kills: number; cut: number; acts: number }>();
const failures: string[] = [];
let killed = 0;

/** Orders something and kills the server while it is done, perhaps several times; ends when it is over. */
async function killedWhile(
  server: Server,
  name: string,
  order: (now: Server) => Promise<unknown>,
): Promise<Server> {
  let now = server;
  await order(now);
  const row = counts.get(name) ?? { kills: 0, cut: 0, acts: 0 };
  row.acts += 1;
  for (let n = 1 + random.below(3); n > 0 && killed < kills; n -= 1) {
    await pause(random.below(1400));
    await kill(now);
    killed += 1;
    row.kills += 1;
    if (one<number>("SELECT count(*) FROM jobs WHERE kind = 'host-run' AND state = 'running'") > 0)
      row.cut += 1;
    now = await start();
  }
  counts.set(name, row);
  await untilIdle();
  process.stdout.write(`\r${killed} of ${kills} kills, ${failures.length} failures `);
  return now;
}

/** Host, store and ledger must say the same, and no run may be left open. */
async function compare(running: RunningHost, hostShell: string, shellId: string, act: string): Promise<void> {
  const say = (what: string) => failures.push(`${act}, after kill ${killed}: ${what}`);
  const open = one<number>("SELECT count(*) FROM runs WHERE state NOT IN ('done', 'undone')");
  if (open > 0) {
    const trouble = one<string | null>(
      "SELECT trouble FROM jobs WHERE kind = 'host-run' AND trouble IS NOT NULL ORDER BY rowid DESC LIMIT 1",
    );
    const note = one<string | null>(
      "SELECT message FROM run_notes WHERE kind = 'paused' ORDER BY id DESC LIMIT 1",
    );
    say(`${open} runs are neither done nor taken back (${trouble ?? note ?? 'nobody said why'})`);
    return;
  }
  const odd = one<number>(
    "SELECT count(*) FROM operations o JOIN runs r ON r.id = o.run_id WHERE o.state NOT IN ('done', 'undone')",
  );
  if (odd > 0) say(`${odd} lines of the ledger are neither done nor taken back`);
  const unsent = one<number>("SELECT count(*) FROM run_batches WHERE state = 'sent'");
  if (unsent > 0) say(`${unsent} batches were sent and nobody knows what became of them`);
  const [host, store] = [await atHost(running, hostShell, shellId), inStore(shellId)];
  for (const { title, what } of differencesOf(store, host).slice(0, 5)) say(`“${title}”: ${what}`);
}

async function main(): Promise<void> {
  const host = new CampusHost(seed);
  const composer = compose();
  const hostShell = seedShell(host, { ...composer.shell(), code: 'BIO 1', title: 'Birds' }, composer.source);
  const running = await startCampusHost(host);
  let server = await start();
  const access = { address: running.address, name: 'r.alder', secret: 'marsh-marigold' };
  const { id: hostId } = await post<{ id: string }>(server, '/api/hosts', access);
  await post(server, '/api/pull', { hostId, shell: hostShell });
  await untilIdle();
  const shellId = one<string>('SELECT id FROM shells');
  const base = `/api/shells/${shellId}`;
  const first = inStore(shellId);
  running.host.setTroubles(troubled);
  const plan = (step: unknown) => post(server, `${base}/plan`, { edit: 'add', step });
  const carryOut = async (act: string) => {
    await post(server, `${base}/rehearse`);
    await untilIdle();
    server = await killedWhile(server, act, (now) => post(now, `${base}/run`));
    await compare(running, hostShell, shellId, act);
  };
  const takeBack = async (act: string) => {
    if (failures.length > 0) return;
    const run = one<string>(
      "SELECT id FROM runs WHERE kind = 'plan' AND state = 'done' ORDER BY started_at DESC LIMIT 1",
    );
    server = await killedWhile(server, act, (now) => post(now, `${base}/undo`, { runId: run }));
    await compare(running, hostShell, shellId, act);
    const left = differencesOf(first, inStore(shellId));
    if (left.length > 0)
      failures.push(`${act}: not the shell as it was (${left[0]?.title}: ${left[0]?.what})`);
  };
  while (killed < kills && failures.length === 0) {
    const items = first.items.filter(({ kind }) => kind === 'page');
    const gone = items.filter(() => random.below(4) === 0).map(({ ref }) => ref);
    const left = items.filter(({ ref }) => !gone.includes(ref));
    const titles = Object.fromEntries(left.map(({ ref, title }) => [ref, `${title}, revised`]));
    await plan({ action: 'rename', targets: left.map(({ ref }) => ref), params: { titles }, from: 'hand' });
    await plan({ action: 'delete', targets: gone, params: { leaveBroken: true }, from: 'hand' });
    await carryOut('a run');
    await takeBack('taking a run back');
    if (failures.length > 0) break;
    await plan({
      action: 'reset-area',
      targets: ['items', 'outside', 'files'],
      params: { keep: [items[0]?.ref] },
      from: 'hand',
    });
    await carryOut('a reset');
    await takeBack('taking a reset back');
  }
  await kill(server);
  await running.close();
  process.stdout.write('\n');
  for (const failure of failures) process.stdout.write(`${failure}\n`);
  writeReport();
  rmSync(folder, { recursive: true, force: true });
  process.exit(failures.length > 0 ? 1 : 0);
}

function writeReport(): void {
  const rows = [...counts].map(([act, row]) => `| ${act} | ${row.acts} | ${row.kills} | ${row.cut} |`);
  writeSection(
    'On a campus host',
    [
      `\`npm run host-crashes -- ${kills} ${seed}\` of ${new Date().toISOString().slice(0, 10)}: the server was killed (SIGKILL) at ${killed} seeded moments while it carried out, took back and reset on a host that failed one request in five, lost one answer in twenty, let jobs stop without a word, signed out and restarted. After each act host, store and ledger were compared thing by thing: nothing lost, nothing done twice, nothing stuck. Differences: **${failures.length}**.`,
      '',
      '| while | acts | killed | job cut off |',
      '|---|---:|---:|---:|',
      ...rows,
    ].join('\n'),
  );
}

await main();
