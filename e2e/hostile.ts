import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { goodPackage, hostileInputs, type HostileInput } from './hostile-inputs';
import { writeSection } from './reliability-report';
import { Server } from './server';
import { SomebodyElse } from './somebody-else';

/**
 * Every hostile input is brought in, combed and exported by a running server, while somebody else asks it for pages:
 * `npm run hostile`. Each is read or refused with a sentence, in time, in memory, and the others are answered meanwhile.
 */
const goals = { seconds: 10, megabytes: 600, others: 200 } as const;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-hostile-'));
const only = process.argv[2];
let server = new Server(join(folder, 'data'));
/** Resident memory of a server that did nothing yet, in bytes. */
let begin = 0;

interface Row {
  readonly input: HostileInput;
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
  begin = server.memory().now;
  const warmed = await tryInput(packInput({ what: 'a good package', reader: 'package' }));
  if (warmed !== 'read') throw new Error(`a good package was not read: ${warmed}`);
  return new SomebodyElse(server.address);
}

let other = await startServer();
for (const input of hostileInputs) {
  if (only && !input.what.includes(only)) continue;
  process.stdout.write(`\r${rows.length} of ${hostileInputs.length} `);
  const packed = packInput(input);
  writeFileSync(`/proc/${server.pid}/clear_refs`, '5');
  const begun = performance.now();
  const { result: outcome, longest: others } = await other.during(() =>
    tryInput(packed).catch((error: unknown) => `error: ${String(error)}`),
  );
  const seconds = (performance.now() - begun) / 1000;
  const megabytes = Math.max(0, server.memory().most - begin) / 1024 ** 2;
  rows.push({ input, outcome, seconds, megabytes, others });
  if (/^error|in Currycomb itself|\(status/.test(outcome)) failures.push(`${input.what}: ${outcome}`);
  if (seconds > goals.seconds) failures.push(`${input.what} (${input.reader}): ${seconds.toFixed(1)} s`);
  if (megabytes > goals.megabytes)
    failures.push(`${input.what} (${input.reader}): ${Math.round(megabytes)} MB`);
  if (others > goals.others)
    failures.push(`${input.what} (${input.reader}): others waited ${Math.round(others)} ms`);
  // What one input leaves in memory is not counted for the next.
  if (megabytes > 200) {
    await other.end();
    await server.stop();
    other = await startServer();
  }
}
await other.end();
await server.stop();
rmSync(folder, { recursive: true, force: true });
const worst = (measure: (row: Row) => number) =>
  [...rows].sort((a, b) => measure(b) - measure(a)).slice(0, 6);
const list = (title: string, measure: (row: Row) => number, say: (row: Row) => string) =>
  `${title}: ${worst(measure)
    .map((row) => `${row.input.what} (${row.input.reader}) ${say(row)}`)
    .join('; ')}.`;
process.stdout.write(`\n${failures.length} failures\n${failures.join('\n')}\n`);
const byReader = ['package', 'calendar', 'roster', 'status sheet'].map((reader) => {
  const theirs = rows.filter(({ input }) => input.reader === reader);
  const read = theirs.filter(({ outcome }) => outcome === 'read').length;
  const largest = (measure: (row: Row) => number) =>
    Math.round(Math.max(0, ...theirs.map(measure)) * 10) / 10;
  return `| ${reader} | ${theirs.length} | ${read} | ${theirs.length - read} | ${largest((r) => r.seconds)} s | ${Math.round(largest((r) => r.megabytes))} MB | ${Math.round(largest((r) => r.others))} ms |`;
});
if (!only)
  writeSection(
    'Hostile inputs',
    `\`npm run hostile\` of ${new Date().toISOString().slice(0, 10)}: ${rows.length} inputs made to do harm, each brought in, combed, looked at and exported by a running server whose pages were drawn before, while somebody else asks it for another page. Goals: ${goals.seconds} s, ${goals.megabytes} MB beyond the start, others answered within ${goals.others} ms. Goals missed and errors: **${failures.length}**.

| reader | inputs | read | refused with a sentence | slowest | most memory | slowest answer to others |
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
