// npm run bench:resources: peak memory and time of every operation, by size. Needs `npm run build` before.
import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { writeSection } from '../e2e/reliability-report';
import { Server } from '../e2e/server';
import { writeGenerated } from '../e2e/generated-package';

/** No operation may take more memory than this beyond what the server takes when it has just started, in bytes. */
const goal = 600 * 1024 ** 2;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-resources-'));

interface Measured {
  readonly seconds: number;
  readonly megabytes: number;
}

interface Subject {
  readonly name: string;
  readonly file: string;
}

/** A package of so many files of a hundred bytes in folders of a hundred. */
async function tinyFiles(count: number): Promise<{ readonly file: string; readonly tree: string }> {
  const composer = new ShellComposer();
  const tree = join(folder, `tree-${count}`);
  for (let n = 0; n < count; n += 1) {
    const path = `f${Math.floor(n / 100)}/t${n}.txt`;
    const text = `tiny file ${n} `.repeat(7).slice(0, 100);
    composer.file(path, text);
    if (n % 100 === 0) mkdirSync(join(tree, `f${n / 100}`), { recursive: true });
    writeFileSync(join(tree, path), text);
  }
  const file = join(folder, `tiny-${count}.imscc`);
  await composer.write(file);
  return { file, tree };
}

/** Measures what one operation takes: the peak is set back before it (proc(5), clear_refs). */
async function measure(server: Server, begin: number, work: () => Promise<unknown>): Promise<Measured> {
  writeFileSync(`/proc/${server.pid}/clear_refs`, '5');
  const begun = performance.now();
  await work();
  const seconds = (performance.now() - begun) / 1000;
  return { seconds, megabytes: Math.max(0, server.memory().most - begin) / 1024 ** 2 };
}

async function job(server: Server, path: string, body?: unknown): Promise<string> {
  const followed = await server.follow(path, body, 600_000);
  if (!followed.done) throw new Error(`${path}: ${followed.told}`);
  return followed.result;
}

async function exported(server: Server, shellId: string): Promise<void> {
  const response = await fetch(`${server.address}/api/shells/${shellId}/export?what=package`);
  if (response.status !== 200) throw new Error(`export: ${response.status}`);
  for await (const block of response.body ?? []) void block;
}

/** Findings whose remedy may be taken without looking, as the page takes them. */
function acceptable(dataDir: string): readonly string[] {
  const db = new Database(join(dataDir, 'currycomb.sqlite'), { readonly: true });
  const ids = db
    .prepare(
      "SELECT id FROM findings WHERE step IS NOT NULL AND \"check\" IN ('orphan.unused-file', 'duplicate.repeated-import', 'duplicate.same-content', 'calendar.outside-term') LIMIT 5000",
    )
    .pluck()
    .all() as string[];
  db.close();
  return ids;
}

async function measureAll({ name, file }: Subject): Promise<ReadonlyMap<string, Measured>> {
  const dataDir = join(folder, `data-${name.replace(/\W+/g, '-')}`);
  const server = new Server(dataDir);
  await server.start();
  await server.page('/');
  const begin = server.memory().now;
  const told = new Map<string, Measured>();
  let shellId = '';
  const operate = async (operation: string, work: () => Promise<unknown>) => {
    const measured = await measure(server, begin, work);
    told.set(operation, measured);
    console.log(
      `${name}, ${operation}: ${measured.seconds.toFixed(1)} s, ${Math.round(measured.megabytes)} MB`,
    );
  };
  try {
    await operate('bring in', async () => {
      const { value } = await server.upload(new Uint8Array(readFileSync(file)));
      const result = await job(server, '/api/bring-in', {
        package: { id: value.id, name: 'a.imscc' },
        code: 'RES 1',
        termStart: '2027-01-11',
        termEnd: '2027-05-07',
        asOf: '2027-01-04',
      });
      shellId = (JSON.parse(result) as { shellId: string }).shellId;
    });
    const base = `/api/shells/${shellId}`;
    await operate('comb', () => job(server, `${base}/comb`));
    await operate('page of the findings', () => server.wholePage(`/shells/${shellId}/decide`));
    await operate('page of the outline', () => server.wholePage(`/shells/${shellId}/decide/outline`));
    const findings = acceptable(dataDir);
    if (findings.length > 0) {
      await operate('decide', () => server.ask(`${base}/decisions`, { decision: 'accept', findings }));
      await operate('rehearse', () => job(server, `${base}/rehearse`));
      await operate('carry out', () => job(server, `${base}/run`));
      const db = new Database(join(dataDir, 'currycomb.sqlite'), { readonly: true });
      const runId = db.prepare("SELECT id FROM runs WHERE state = 'done'").pluck().get();
      db.close();
      await operate('take back', () => job(server, `${base}/undo`, { runId }));
    }
    await operate('export', () => exported(server, shellId));
    await operate('look the folder over', () => job(server, '/api/folder', { act: 'examine' }));
    await operate('backup', () => job(server, '/api/folder', { act: 'backup' }));
    return told;
  } finally {
    await server.stop();
  }
}

const subjects: Subject[] = [];
for (const items of [400, 3_000, 10_000]) {
  const generated = await writeGenerated(items, join(folder, `generated-${items}`));
  subjects.push({ name: `${items.toLocaleString('en')} items`, file: generated.package });
}
const tiny = await tinyFiles(40_000);
subjects.push({ name: '40,000 tiny files', file: tiny.file });

const columns: ReadonlyMap<string, Measured>[] = [];
for (const subject of subjects) columns.push(await measureAll(subject));
const zipped = performance.now();
execFileSync('zip', ['-qr', join(folder, 'tree.zip'), '.'], { cwd: tiny.tree });
const zipSeconds = (performance.now() - zipped) / 1000;
const operations = [...new Set(columns.flatMap((column) => [...column.keys()]))];
const cell = (measured: Measured | undefined) =>
  measured ? `${measured.seconds.toFixed(1)} s, ${Math.round(measured.megabytes)} MB` : '';
const worst = Math.max(
  ...columns.flatMap((column) => [...column.values()].map(({ megabytes }) => megabytes)),
);
const exportSeconds = columns.at(-1)?.get('export')?.seconds ?? 0;
writeSection(
  'Memory and time',
  `\`npm run bench:resources\` of ${new Date().toISOString().slice(0, 10)}: seconds, and the most memory that the server took beyond what it had at its start (resident, VmHWM). Goal: none over ${goal / 1024 ** 2} MB; the largest is ${Math.round(worst)} MB. The export of the 40,000 tiny files, asked for and fetched, took ${exportSeconds.toFixed(1)} s; packing the same tree with \`zip -r\` (Info-ZIP 3.0) took ${zipSeconds.toFixed(1)} s.

| operation | ${subjects.map(({ name }) => name).join(' | ')} |
|---|${subjects.map(() => '---:').join('|')}|
${operations.map((operation) => `| ${operation} | ${columns.map((column) => cell(column.get(operation))).join(' | ')} |`).join('\n')}`,
);
rmSync(folder, { recursive: true, force: true });
