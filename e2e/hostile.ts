import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { hostileFolders, isUntouched } from './hostile-folders';
import { HostBefore, hostileHosts } from './hostile-hosts';
import { goodPackage, hostileInputs, type HostileInput } from './hostile-inputs';
import { hostileRequests } from './hostile-requests';
import { MemoryWatch } from './memory-watch';
import { writeSection } from './reliability-report';
import { Server } from './server';
import { SomebodyElse } from './somebody-else';

/**
 * Everything that a stranger may hand over is handed to a running server, while somebody else asks it for pages:
 * `npm run hostile`. Packages and files beside them are brought in, combed and exported; sheets, plans, rules and
 * requests are sent; hosts are signed in to and read; folders are watched, backups restored and started on. Each is read
 * or refused with a sentence, in time, in memory, the others are answered meanwhile, and no file outside is touched.
 */
const goals = { seconds: 10, megabytes: 750, others: 200 } as const;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-hostile-'));
const treasure = join(folder, 'treasure.txt');
const scratch = join(folder, 'scratch');
const backup = join(folder, 'good.backup');
const only = process.argv[2];
let server = new Server(join(folder, 'data'));
/** Resident memory of a server that did the usual things, with the processes that work for it, in bytes. */
let begin = 0;
/** A good shell, combed, on which requests are tried. */
let goodShell = '';
/** Resident memory of the server alone when it began, in bytes. */
let alone = 0;

/** One try: what it is, and what does it. */
interface HostileTry {
  readonly what: string;
  readonly reader: string;
  /** Makes what is handed over, before anything is measured, and gives what hands it over. */
  prepare(): () => Promise<string>;
  /** Programs of the command line and servers of its own take their seconds to start, and are not what is measured. */
  readonly isSlow?: boolean;
}

interface Row {
  readonly what: string;
  readonly reader: string;
  readonly outcome: string;
  readonly seconds: number;
  readonly megabytes: number;
  /** Slowest answer to somebody else meanwhile, in milliseconds. */
  readonly others: number;
}
const rows: Row[] = [];
const failures: string[] = [];

async function upload(bytes: Buffer | undefined): Promise<{ id: string; name: string } | undefined> {
  if (!bytes) return undefined;
  const { value } = await server.upload(new Uint8Array(bytes));
  return { id: value.id, name: 'hostile' };
}

/** How long one job is waited for, in milliseconds: far beyond the goal. */
const patience = 40_000;

/** The bytes of an input. They are made before anything is measured: that is work of this process, not of the server. */
interface PackedInput {
  readonly what: string;
  readonly package: Buffer;
  readonly events: Buffer | undefined;
  readonly roster: Buffer | undefined;
  readonly status: Buffer | undefined;
}
const packInput = (input: HostileInput): PackedInput => ({
  what: input.what,
  package: input.package?.() ?? goodPackage(),
  events: input.events?.(),
  roster: input.roster?.(),
  status: input.status?.(),
});

/** Brings one in, combs it and exports it; gives what became of it in a few words. */
async function tryInput(input: PackedInput): Promise<string> {
  const packageBytes = input.package;
  if (packageBytes.length === 0) {
    const { value } = await server.upload(new Uint8Array());
    return `refused: ${value.trouble}`;
  }
  const read = await server.follow(
    '/api/bring-in',
    {
      package: await upload(packageBytes),
      events: await upload(input.events),
      roster: await upload(input.roster),
      status: await upload(input.status),
      code: 'HOS 1',
      termStart: '2027-01-11',
      termEnd: '2027-05-07',
      asOf: '2027-01-04',
    },
    patience,
  );
  if (!read.done) return `refused: ${read.told}`;
  const { shellId } = JSON.parse(read.result) as { shellId: string };
  const combed = await server.follow(`/api/shells/${shellId}/comb`, {}, patience);
  if (!combed.done) failures.push(`${input.what}: can’t be combed: ${combed.told}`);
  for (const stage of ['bring-in', 'comb', 'decide']) {
    const { status } = await server.wholePage(`/shells/${shellId}/${stage}`);
    if (status !== 200) failures.push(`${input.what}: ${stage} answers ${status}`);
  }
  const response = await fetch(`${server.address}/api/shells/${shellId}/export?what=package`);
  const exported = Buffer.from(await response.arrayBuffer());
  if (response.status !== 200)
    failures.push(`${input.what}: can’t be exported: ${exported.toString().slice(0, 200)}`);
  await server.ask(`/api/shells/${shellId}`, { typed: 'HOS 1' }, 'DELETE');
  return 'read';
}

/**
 * Starts a server and has it draw each page once: the first drawing of a page is slow, whatever it shows. Gives somebody
 * who works with it, too.
 */
async function startServer(): Promise<SomebodyElse> {
  server = new Server(join(folder, 'data'));
  await server.start();
  await server.page('/');
  const warmed = await tryInput(packInput({ what: 'a good package', reader: 'package' }));
  if (warmed !== 'read') throw new Error(`a good package was not read: ${warmed}`);
  goodShell = await bringInGood();
  alone = server.memory().now;
  begin = MemoryWatch.of(server.pid);
  return new SomebodyElse(server.address);
}

async function bringInGood(): Promise<string> {
  const read = await server.follow('/api/bring-in', {
    package: await upload(goodPackage()),
    code: 'HOS 0',
    termStart: '2027-01-11',
    termEnd: '2027-05-07',
    asOf: '2027-01-04',
  });
  if (!read.done) throw new Error(read.told);
  const { shellId } = JSON.parse(read.result) as { shellId: string };
  await server.follow(`/api/shells/${shellId}/comb`);
  return shellId;
}

const hosts = new HostBefore();
const tries: readonly HostileTry[] = [
  ...hostileInputs.map((input): HostileTry => ({
    what: input.what,
    reader: input.reader,
    prepare: () => {
      const packed = packInput(input);
      return () => tryInput(packed);
    },
  })),
  ...hostileRequests.map(({ what, reader, attempt }): HostileTry => ({
    what,
    reader,
    prepare: () => () => attempt(server, goodShell),
  })),
  ...hostileHosts.map((host): HostileTry => ({
    what: host.what,
    reader: 'campus host',
    prepare: () => () => hosts.attempt(host, server),
  })),
  ...hostileFolders.map(({ what, reader, attempt }): HostileTry => ({
    what,
    reader,
    prepare: () => () => attempt({ server, scratch, treasure, backup }),
    isSlow: true,
  })),
];

mkdirSync(scratch);
writeFileSync(treasure, 'kept for years');
await hosts.start();
let other = await startServer();
execFileSync('node', ['dist/cli.mjs', 'backup', backup, '--data', server.dataDir]);
for (const one of tries) {
  if (only && !`${one.reader}: ${one.what}`.includes(only)) continue;
  process.stdout.write(`\r${rows.length} of ${tries.length} `);
  const attempt = one.prepare();
  const memory = new MemoryWatch(server.pid);
  const begun = performance.now();
  const { result: outcome, longest: others } = await other.during(() =>
    attempt().catch((error: unknown) => `error: ${String(error)}`),
  );
  const seconds = (performance.now() - begun) / 1000;
  const megabytes = Math.max(0, memory.end() - begin) / 1024 ** 2;
  rows.push({ what: one.what, reader: one.reader, outcome, seconds, megabytes, others });
  const name = `${one.what} (${one.reader})`;
  if (only) process.stdout.write(`${name}: ${outcome.slice(0, 300)} · ${seconds.toFixed(1)} s\n`);
  if (/^error|in Currycomb itself|\(status|\(nothing\)|undefined/.test(outcome))
    failures.push(`${name}: ${outcome.slice(0, 300)}`);
  if (outcome.length > 1_000) failures.push(`${name}: what is told is ${outcome.length} characters long`);
  if (seconds > goals.seconds && !one.isSlow) failures.push(`${name}: ${seconds.toFixed(1)} s`);
  if (megabytes > goals.megabytes) failures.push(`${name}: ${Math.round(megabytes)} MB`);
  if (others > goals.others) failures.push(`${name}: others waited ${Math.round(others)} ms`);
  if (!isUntouched(treasure)) failures.push(`${name}: a file outside was touched`);
  if (existsSync('/tmp/evil.html') || existsSync('/etc/evil'))
    failures.push(`${name}: a file outside was written`);
  // What one input leaves in the server’s own memory is not counted for the next.
  if (server.memory().now - alone > 200 * 1024 ** 2) {
    await other.end();
    await server.stop();
    other = await startServer();
  }
}
await hosts.close();
await other.end();
await server.stop();
rmSync(folder, { recursive: true, force: true });
const worst = (measure: (row: Row) => number) =>
  [...rows].sort((a, b) => measure(b) - measure(a)).slice(0, 6);
const list = (title: string, measure: (row: Row) => number, say: (row: Row) => string) =>
  `${title}: ${worst(measure)
    .map((row) => `${row.what} (${row.reader}) ${say(row)}`)
    .join('; ')}.`;
process.stdout.write(`\n${failures.length} failures\n${failures.join('\n')}\n`);
const byReader = [...new Set(rows.map(({ reader }) => reader))].map((reader) => {
  const theirs = rows.filter((row) => row.reader === reader);
  const read = theirs.filter(({ outcome }) => outcome === 'read').length;
  const largest = (measure: (row: Row) => number) =>
    Math.round(Math.max(0, ...theirs.map(measure)) * 10) / 10;
  return `| ${reader} | ${theirs.length} | ${read} | ${theirs.length - read} | ${largest((r) => r.seconds)} s | ${Math.round(largest((r) => r.megabytes))} MB | ${Math.round(largest((r) => r.others))} ms |`;
});
if (!only)
  writeSection(
    'Hostile inputs',
    `\`npm run hostile\` of ${new Date().toISOString().slice(0, 10)}: ${rows.length} things made to do harm, each handed to a running server whose pages were drawn before, while somebody else asks it for another page: packages and files beside them are brought in, combed, looked at and exported; sheets, plans, rules and requests sent; hosts signed in to and read; folders watched; backups restored and started on. Goals: ${goals.seconds} s (not for folders and backups, which start programs of their own), ${goals.megabytes} MB beyond the start with all processes, others answered within ${goals.others} ms, and no file outside touched. Goals missed and errors: **${failures.length}**.

| what reads them | tries | read | refused with a sentence | slowest | most memory | slowest answer to others |
|---|---:|---:|---:|---:|---:|---:|
${byReader.join('\n')}

${list(
  'Slowest',
  (r) => r.seconds,
  (r) => `${r.seconds.toFixed(1)} s`,
)}
${list(
  'Most memory',
  (r) => r.megabytes,
  (r) => `${Math.round(r.megabytes)} MB`,
)}
${list(
  'Others waited longest for',
  (r) => r.others,
  (r) => `${Math.round(r.others)} ms`,
)}`,
  );
process.exit(failures.length ? 1 : 0);
