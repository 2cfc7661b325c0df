import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import fc from 'fast-check';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { writeSection } from './reliability-report';

/**
 * The server is killed at seeded moments while it brings in, combs, rehearses, carries out, adds and takes back. After
 * each restart every shell is either before or after, the job that was cut off ends, no blob or upload is left that
 * nothing uses, and the ledger tells what is true. `npm run crashes -- 200` writes docs/reliability.md.
 */
const kills = Number(process.argv[2] ?? 200);
const seed = Number(process.argv[3] ?? 20261127);
const folder = mkdtempSync(join(tmpdir(), 'currycomb-crashes-'));
const dataDir = join(folder, 'data');

let random = seed;
/** A number from 0 up to a bound, the same for the same seed (Park and Miller, 1988: the minimal standard generator). */
function draw(bound: number): number {
  random = (random * 48_271) % 2_147_483_647;
  return random % bound;
}

interface Server {
  readonly process: ChildProcess;
  readonly address: string;
  readonly said: string[];
}
let port = 0;

async function start(): Promise<Server> {
  port ||= await freePort();
  const said: string[] = [];
  const child = spawn('node', ['dist/server.mjs', '--port', String(port)], {
    env: { ...process.env, CURRYCOMB_DATA: dataDir, NEXT_TELEMETRY_DISABLED: '1' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  child.stdout?.on('data', (block: Buffer) => said.push(block.toString()));
  child.stderr?.on('data', (block: Buffer) => said.push(block.toString()));
  const server = { process: child, address: `http://127.0.0.1:${port}`, said };
  for (let tries = 0; tries < 400; tries += 1) {
    if (
      await fetch(`${server.address}/api/house-rules`).then(
        (r) => r.status < 500,
        () => false,
      )
    )
      return server;
    await pause(25);
  }
  throw new Error(`the server did not start:\n${said.join('')}`);
}

async function kill(server: Server): Promise<void> {
  const gone = new Promise((resolve) => server.process.once('exit', resolve));
  server.process.kill('SIGKILL');
  await gone;
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });

async function post<T>(server: Server, path: string, body: unknown = {}, method = 'POST'): Promise<T> {
  const response = await fetch(`${server.address}${path}`, {
    method,
    headers: { 'content-type': 'application/json', origin: server.address },
    body: JSON.stringify(body),
  });
  return (await response.json()) as T;
}

async function upload(server: Server, bytes: Buffer): Promise<{ id: string; name: string }> {
  const response = await fetch(`${server.address}/api/uploads`, {
    method: 'POST',
    headers: { origin: server.address },
    body: new Uint8Array(bytes),
  });
  const { id } = (await response.json()) as { id: string };
  return { id, name: 'crash.imscc' };
}

interface JobRow {
  readonly id: string;
  readonly kind: string;
  readonly state: string;
  readonly trouble: string | null;
  readonly result: string | null;
}

/** The data folder as it is, read beside the server. */
function look<T>(read: (db: Database.Database) => T): T {
  const db = new Database(join(dataDir, 'currycomb.sqlite'), { readonly: true, timeout: 10_000 });
  try {
    return read(db);
  } finally {
    db.close();
  }
}
const jobRows = () =>
  look((db) => db.prepare('SELECT id, kind, state, trouble, result FROM jobs').all() as JobRow[]);

async function untilIdle(): Promise<void> {
  for (let tries = 0; tries < 2400; tries += 1) {
    if (!jobRows().some((job) => job.state === 'waiting' || job.state === 'running')) return;
    await pause(25);
  }
  throw new Error(`a job runs for ever: ${JSON.stringify(jobRows().filter((job) => job.state !== 'done'))}`);
}

/** What must hold whenever nothing is under way; each broken rule is one line. */
function troubles(): string[] {
  const found: string[] = [];
  const check = (is: boolean, what: string) => {
    if (!is) found.push(what);
  };
  look((db) => {
    const all = (sql: string) => db.prepare(sql).all() as Record<string, string | null>[];
    check(
      all('SELECT 1 FROM shells s WHERE NOT EXISTS (SELECT 1 FROM versions v WHERE v.id = s.version_id)')
        .length === 0,
      'a shell has no version',
    );
    check(
      all("SELECT 1 FROM runs WHERE state IN ('planned', 'running')").length === 0,
      'a run is neither done nor stopped',
    );
    check(
      all(
        "SELECT 1 FROM runs WHERE state IN ('done', 'undone') AND (after_version IS NULL OR edits_blob IS NULL)",
      ).length === 0,
      'a run is done without a version or its edits',
    );
    check(
      all(
        "SELECT 1 FROM operations o JOIN runs r ON r.id = o.run_id WHERE r.state = 'done' AND o.state NOT IN ('done', 'undone', 'blocked', 'nothing')",
      ).length === 0,
      'the ledger says other than its run',
    );
    check(
      all(
        "SELECT 1 FROM operations o JOIN runs r ON r.id = o.run_id WHERE r.state = 'undone' AND o.state = 'done'",
      ).length === 0,
      'a run that was taken back has steps that were not',
    );
    check(
      all("SELECT 1 FROM jobs WHERE state = 'failed' AND trouble LIKE 'Something went wrong%'").length === 0,
      'a job met a fault of ours',
    );
    const pack = new Database(join(dataDir, 'blobs', 'pack.sqlite'), { readonly: true, timeout: 10_000 });
    const used = new Set<string>();
    const waiting = all(
      'SELECT state_blob AS hash FROM versions UNION SELECT state_blob FROM incomings UNION SELECT preview_blob FROM incomings UNION SELECT edits_blob FROM runs WHERE edits_blob IS NOT NULL ' +
        'UNION SELECT notes_blob FROM versions WHERE notes_blob IS NOT NULL UNION SELECT notes_blob FROM incomings WHERE notes_blob IS NOT NULL',
    ).map((row) => row['hash'] ?? '');
    const children = pack.prepare('SELECT child FROM holds WHERE parent = ?').pluck();
    for (let hash = waiting.pop(); hash !== undefined; hash = waiting.pop()) {
      if (used.has(hash)) continue;
      used.add(hash);
      waiting.push(...(children.all(hash) as string[]));
    }
    const kept = new Set([
      ...(pack.prepare('SELECT hash FROM blobs').pluck().all() as string[]),
      ...readdirSync(join(dataDir, 'blobs'), { withFileTypes: true })
        .filter((entry) => entry.isDirectory() && entry.name !== 'new')
        .flatMap(({ name }) => readdirSync(join(dataDir, 'blobs', name))),
    ]);
    pack.close();
    const lost = [...used].filter((hash) => !kept.has(hash));
    check(lost.length === 0, `${lost.length} blobs that something uses are gone`);
    const left = [...kept].filter((hash) => !used.has(hash));
    check(left.length === 0, `${left.length} blobs are left that nothing uses`);
  });
  check(readdirSync(join(dataDir, 'uploads')).length === 0, 'an upload is left');
  return found;
}

/** Fingerprint of a shell now, and those of every version that it may rightly be. */
const fingerprintOf = (id: string): string =>
  look((db) =>
    String(
      db
        .prepare('SELECT v.fingerprint FROM shells s JOIN versions v ON v.id = s.version_id WHERE s.id = ?')
        .pluck()
        .get(id),
    ),
  );

function composePackage(n: number): ShellComposer {
  const c = new ShellComposer();
  const pages =
    fc.sample(fc.array(fc.nat(40), { minLength: 60, maxLength: 160 }), { numRuns: 1, seed: seed + n })[0] ??
    [];
  for (const copy of ['a', 'b'])
    pages.forEach((text, k) =>
      c.page(
        `Page ${k}`,
        `<p>Text ${text} of page ${k}: the gauge at the weir was read at noon and again at dusk.</p>`,
        {
          ref: `${copy}${k}`,
          path: `${copy}/p${k}.html`,
        },
      ),
    );
  for (let k = 0; k < 80; k += 1) c.file(`left/over-${k}.txt`, `left over ${k} of package ${n} `.repeat(40));
  c.file('left/large.bin', Buffer.alloc(300_000, n % 251));
  return c;
}

type Act = 'bring-in' | 'comb' | 'rehearse' | 'run' | 'undo' | 'hold' | 'add';
const counts = new Map<string, { kills: number; cut: number; before: number; after: number }>();

async function main(): Promise<void> {
  const packages: Buffer[] = [];
  for (let n = 0; n < 3; n += 1) {
    const file = join(folder, `p${n}.imscc`);
    await composePackage(n).write(file);
    packages.push(readFileSync(file));
  }
  let server = await start();
  let done = 0;
  const failures: string[] = [];
  while (done < kills) {
    const acts: Act[] = ['bring-in', 'comb', 'rehearse', 'run', 'undo', 'hold', 'add'];
    let shellId = '';
    for (const act of acts) {
      const before = shellId === '' ? '' : fingerprintOf(shellId);
      const shellsBefore = look((db) => db.prepare('SELECT count(*) FROM shells').pluck().get() as number);
      const jobId = await begin(server, act, shellId, packages);
      if (jobId === null) continue;
      const isKilled = done < kills;
      if (isKilled) {
        await pause(draw(act === 'bring-in' || act === 'hold' ? 260 : 160));
        await kill(server);
        const cut = jobRows().find((job) => job.id === jobId);
        const row = counts.get(act) ?? { kills: 0, cut: 0, before: 0, after: 0 };
        row.kills += 1;
        if (cut?.state === 'running' || cut?.state === 'waiting') row.cut += 1;
        const now =
          act === 'bring-in'
            ? shellsBefore !== look((db) => db.prepare('SELECT count(*) FROM shells').pluck().get() as number)
            : fingerprintOf(shellId) !== before;
        if (now) row.after += 1;
        else row.before += 1;
        counts.set(act, row);
        server = await start();
        done += 1;
      }
      await untilIdle();
      const job = jobRows().find((one) => one.id === jobId);
      if (job?.state !== 'done')
        failures.push(`${act} after kill ${done}: ${job?.state} ${job?.trouble ?? ''}`);
      if (act === 'bring-in')
        shellId = (JSON.parse(job?.result ?? '{}') as { shellId?: string }).shellId ?? '';
      for (const trouble of troubles()) failures.push(`${act} after kill ${done}: ${trouble}`);
      if (act === 'undo' && shellId && fingerprintOf(shellId) !== combedPrint)
        failures.push(`${act} after kill ${done}: not the state before the run`);
      if (act === 'comb' && shellId) combedPrint = fingerprintOf(shellId);
      if (failures.length > 20) break;
    }
    process.stdout.write(`\r${done} of ${kills} kills, ${failures.length} failures `);
    if (failures.length > 20) break;
  }
  await kill(server);
  process.stdout.write('\n');
  for (const failure of failures) process.stdout.write(`${failure}\n`);
  writeReport(done, failures);
  rmSync(folder, { recursive: true, force: true });
  process.exit(failures.length ? 1 : 0);
}
let combedPrint = '';

/** Orders what an act does; null where there is nothing to do. */
async function begin(
  server: Server,
  act: Act,
  shellId: string,
  packages: readonly Buffer[],
): Promise<string | null> {
  const base = `/api/shells/${shellId}`;
  const ordered = async (path: string, body: unknown = {}) =>
    (await post<{ jobId?: string; trouble?: string }>(server, path, body)).jobId ?? null;
  switch (act) {
    case 'bring-in':
      return ordered('/api/bring-in', {
        package: await upload(server, packages[draw(3)] ?? Buffer.alloc(0)),
        code: `CR ${draw(1000)}`,
        termStart: '2027-01-11',
        termEnd: '2027-05-07',
      });
    case 'comb':
      return ordered(`${base}/comb`);
    case 'rehearse': {
      const findings = look(
        (db) =>
          db
            .prepare(
              "SELECT f.id FROM findings f JOIN audits a ON a.id = f.audit_id JOIN shells s ON s.version_id = a.version_id WHERE s.id = ? AND f.step IS NOT NULL AND f.\"check\" IN ('orphan.unused-file', 'duplicate.repeated-import')",
            )
            .pluck()
            .all(shellId) as string[],
      );
      if (!findings.length) return null;
      await post(server, `${base}/decisions`, { decision: 'accept', findings });
      return ordered(`${base}/rehearse`);
    }
    case 'run':
      return ordered(`${base}/run`);
    case 'undo': {
      const runId = look(
        (db) =>
          db.prepare("SELECT id FROM runs WHERE shell_id = ? AND state = 'done'").pluck().get(shellId) as
            string | undefined,
      );
      return runId ? ordered(`${base}/undo`, { runId }) : null;
    }
    case 'hold':
      return ordered(`${base}/incoming`, {
        package: await upload(server, packages[draw(3)] ?? Buffer.alloc(0)),
      });
    case 'add': {
      const incoming = look(
        (db) =>
          db.prepare('SELECT id, preview_blob AS preview FROM incomings WHERE shell_id = ?').get(shellId) as
            { id: string; preview: string } | undefined,
      );
      if (!incoming) return null;
      const things = readPreview(incoming.preview).things.filter((thing) => thing.standing === 'new');
      const chosen = things.map((thing) => thing.key);
      if (!chosen.length) return null;
      return ordered(`${base}/add`, {
        incoming: incoming.id,
        chosen,
        landing: { where: 'end' },
        dating: 'keep',
      });
    }
  }
}

interface Preview {
  readonly things: readonly { readonly key: string; readonly standing: string }[];
}

function readPreview(hash: string): Preview {
  const pack = new Database(join(dataDir, 'blobs', 'pack.sqlite'), { readonly: true, timeout: 10_000 });
  const packed = pack.prepare('SELECT bytes FROM blobs WHERE hash = ?').pluck().get(hash) as
    Buffer | undefined;
  pack.close();
  const bytes = packed ?? readFileSync(join(dataDir, 'blobs', hash.slice(0, 2), hash));
  return JSON.parse(bytes.toString('utf8')) as Preview;
}

function writeReport(done: number, failures: readonly string[]): void {
  const rows = [...counts].map(
    ([act, { kills: killed, cut, before, after }]) =>
      `| ${act} | ${killed} | ${cut} | ${before} | ${after} |`,
  );
  writeSection(
    'Kills',
    `\`npm run crashes -- ${kills} ${seed}\` of ${new Date().toISOString().slice(0, 10)}: the server was killed (SIGKILL) at ${done} seeded moments while it worked. After each restart the job that was cut off ended by itself, every shell was wholly before or wholly after, no blob or upload was left that nothing uses and none was missing, no run and no job stayed unfinished, and the ledger said what its run said. Broken rules: **${failures.length}**.

| while | killed | job cut off | shell as before, right after the kill | as after |
|---|---|---|---|---|
${rows.join('\n')}
${failures.map((failure) => `\n- ${failure}`).join('')}`,
  );
}

await main();
