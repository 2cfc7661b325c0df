// npm run bench:many: forty shells brought in and combed, one by one and all together. Needs `npm run build` before.
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import type { JobsProgress } from '@/services/do/many-shells/jobs-progress';
import { Server } from '../e2e/server';
import { writeGenerated, type GeneratedFiles } from '../e2e/generated-package';

const count = 40;
/** Sizes around four hundred items, each another, since a size always gives the same package. */
const sizes = Array.from({ length: count }, (_, n) => 381 + n);
const goalRatio = 1.3;
const goalList = 300;
const folder = mkdtempSync(join(tmpdir(), 'currycomb-many-'));

async function sent(server: Server, path: string): Promise<{ id: string; name: string }> {
  const { value } = await server.upload(new Uint8Array(readFileSync(path)));
  return { id: value.id, name: path.slice(path.lastIndexOf('/') + 1) };
}

/** Orders one to be brought in and combed; the id of the job. */
async function order(server: Server, files: GeneratedFiles, size: number): Promise<string> {
  const form = {
    package: await sent(server, files.package),
    events: await sent(server, files.events),
    code: `GEN ${size}`,
    termStart: '2027-01-11',
    termEnd: '2027-05-07',
    statusColumns: {},
    comb: true,
  };
  const { value } = await server.ask<{ jobId?: string }>('/api/bring-in', form);
  if (!value.jobId) throw new Error(value.trouble ?? 'no job');
  return value.jobId;
}

/** Waits until these are here and combed. */
async function whenCombed(server: Server, jobIds: readonly string[]): Promise<void> {
  const { results, troubles } = await whenOver(server, jobIds);
  for (const { trouble } of troubles) throw new Error(trouble);
  const shellIds = results.map(({ result }) => (JSON.parse(result) as { shellId: string }).shellId);
  const combs = await Promise.all(
    shellIds.map((id) => server.ask<{ job: { id: string } | null }>(`/api/shells/${id}/jobs?kind=comb`)),
  );
  const ids = combs.flatMap(({ value }) => (value.job ? [value.job.id] : []));
  await whenOver(server, ids);
}

/** Waits until jobs are over, looking as often as the page does for many and more often for one. */
async function whenOver(server: Server, ids: readonly string[]): Promise<JobsProgress> {
  for (;;) {
    const { value } = await server.ask<JobsProgress>('/api/jobs/progress', { ids });
    if (value.over === value.all) return value;
    await sleep(ids.length > 1 ? 400 : 20);
  }
}

async function timed(work: () => Promise<unknown>): Promise<number> {
  const begun = performance.now();
  await work();
  return performance.now() - begun;
}

async function started(name: string): Promise<Server> {
  const server = new Server(join(folder, name));
  await server.start();
  await server.page('/');
  return server;
}

const files: GeneratedFiles[] = [];
for (const size of sizes) files.push(await writeGenerated(size, join(folder, `shell-${size}`)));

const single = await started('single');
const singles: number[] = [];
for (const [n, one] of files.entries())
  singles.push(await timed(async () => whenCombed(single, [await order(single, one, sizes[n] ?? 0)])));
await single.stop();

const together = await started('together');
const all = await timed(async () => {
  const ids: string[] = [];
  for (const [n, one] of files.entries()) ids.push(await order(together, one, sizes[n] ?? 0));
  await whenCombed(together, ids);
});
const lists: number[] = [];
for (let n = 0; n < 11; n += 1) lists.push(await timed(() => together.page('/')));
await together.stop();
rmSync(folder, { recursive: true, force: true });

const sum = singles.reduce((total, ms) => total + ms, 0);
const half = sum / 2;
const ratio = all / half;
const list = lists.sort((a, b) => a - b)[5] ?? 0;
const seconds = (ms: number) => `${(ms / 1000).toFixed(1)} s`;
const isMet = (isSo: boolean) => (isSo ? 'met' : 'missed');
const text = `# Many shells

Made by \`npm run bench:many\` on a machine with ${availableParallelism()} cores: ${count} packages of 381 to 420 items with
their calendars, each brought in and combed over the application’s own addresses, from the upload to the last finding.

| What | Time | Goal | |
|---|---|---|---|
| one after another, all added up | ${seconds(sum)} | | |
| one of them | ${seconds(sum / count)} | | |
| all together | ${seconds(all)} | ${goalRatio} times the sum divided by two: ${seconds(goalRatio * half)} | ${isMet(ratio <= goalRatio)}, ${ratio.toFixed(2)} times |
| the list of ${count} shells, as the server answers | ${Math.round(list)} ms | ${goalList} ms | ${isMet(list <= goalList)} |
`;
writeFileSync('docs/performance-many.md', text);
process.stdout.write(text);
