import { randomUUID } from 'node:crypto';
import { copyFileSync, existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { LocalDate } from '@/core/time/local-date';
import { bringInSchema, orderBringIn, uploadsDir } from '../bring-in/order-bring-in';
import { orderRun, orderUndo } from '../carry-out/order-run';
import { combView } from '../comb/comb-view';
import { orderComb } from '../comb/order-comb';
import { openContext, type Context } from '../context';
import { decide } from '../decide/decisions';
import { keepRules, keptRules } from '../house-rules/house-rules';
import { orderTryRules } from '../house-rules/try-rules';
import type { JobView } from '../jobs/job-runner';
import { exportShell, shellReport } from '../prove/export-shell';
import { orderRehearsal, sealedRehearsal } from '../rehearse/order-rehearsal';
import { findShell, runsOf, type CurrentShell } from '../shells/current-shell';
import { frameView } from '../shells/frame-view';
import { readShell } from '../bring-in/read-shell';

// The use cases over a real database and the real worker thread, without the web around them.
const folder = mkdtempSync(join(tmpdir(), 'currycomb-services-'));
const paths = {
  dataDir: join(folder, 'data'),
  migrationsDir: join(process.cwd(), 'src/store/migrations'),
  workerFile: join(process.cwd(), 'dist/workers/job.mjs'),
};
const today = '2027-01-04' as LocalDate;
let context: Context;
beforeAll(() => {
  context = openContext(paths);
});
afterAll(async () => {
  await context.jobs.close();
  rmSync(folder, { recursive: true, force: true });
});

const ended = async (id: string): Promise<JobView> => (await context.jobs.ended(id))!;
function upload(path: string): { id: string; name: string } {
  const id = randomUUID();
  copyFileSync(path, join(uploadsDir(context), id));
  return { id, name: path.split('/').at(-1)! };
}
async function broughtIn(form: object): Promise<JobView> {
  const ordered = orderBringIn(context, bringInSchema.parse(form), today);
  if (!ordered.ok) throw new Error(ordered.trouble.message);
  return ended(ordered.value.jobId);
}
const must = <T>(result: { ok: true; value: T } | { ok: false; trouble: { message: string } }): T => {
  if (!result.ok) throw new Error(result.trouble.message);
  return result.value;
};
const shellOf = (id: string): CurrentShell => findShell(context, id)!;

let id = '';
test('a package is brought in: one version, no upload left', async () => {
  const view = await broughtIn({
    package: upload('demo/out/geo-130/GEO-130.zip'),
    roster: upload('demo/out/geo-130/roster.zip'),
    status: upload('demo/out/geo-130/status.csv'),
    code: 'GEO 130',
    termTitle: 'Spring 2027',
    termStart: '2027-01-11',
    termEnd: '2027-05-07',
    asOf: '2027-01-04',
  });
  expect([view.state, view.trouble]).toEqual(['done', null]);
  ({ shellId: id } = JSON.parse(view.result!) as { shellId: string });
  expect(shellOf(id)).toMatchObject({
    row: { code: 'GEO 130', termStart: '2027-01-11' },
    kept: null,
    open: [],
    plan: { size: 0 },
  });
  expect(readdirSync(uploadsDir(context))).toEqual([]);
  expect(orderRehearsal(context, shellOf(id))).toMatchObject({
    ok: false,
    trouble: { message: 'Comb the shell first.' },
  });
}, 60_000);

test('what can’t be read leaves nothing behind, and the sentence says why', async () => {
  const broken = join(folder, 'broken.zip');
  writeFileSync(broken, 'no zip');
  const view = await broughtIn({ package: upload(broken) });
  expect([view.state, view.trouble]).toEqual([
    'failed',
    expect.stringMatching(/^“broken\.zip” can’t be read as a zip archive/),
  ]);
  expect(readdirSync(uploadsDir(context))).toEqual([]);
  expect(
    orderBringIn(context, bringInSchema.parse({ package: { id: randomUUID(), name: 'gone.zip' } }), today),
  ).toMatchObject({ ok: false, trouble: { message: expect.stringMatching(/did not arrive whole/) } });
});

test('combed, decided, rehearsed, carried out, taken back', async () => {
  expect((await ended(orderComb(context, shellOf(id)))).state).toBe('done');
  const combed = shellOf(id);
  const view = combView(combed, keptRules(context).key);
  expect(view.combed?.byOtherRules).toBe(false);
  expect(view.findings.length).toBeGreaterThan(10);
  const empty = combed.open.filter((f) => f.check === 'orphan.empty-module');
  const without = combed.open.find((f) => f.remedy === null)!;
  expect(decide(context, combed, { decision: 'accept', findings: [without.id] })).toMatchObject({
    ok: false,
    trouble: { code: 'no-remedy' },
  });
  expect(decide(context, combed, { decision: 'accept', findings: ['000000000000'] })).toMatchObject({
    ok: false,
    trouble: { code: 'finding-gone' },
  });
  // Left be, then opened again: nothing of it stays.
  must(decide(context, combed, { decision: 'leave-be', findings: [without.id] }));
  expect(shellOf(id).leftBe.map((f) => f.id)).toEqual([without.id]);
  must(decide(context, shellOf(id), { decision: 'reopen', findings: [without.id] }));
  expect(shellOf(id).open).toHaveLength(combed.open.length);

  must(decide(context, shellOf(id), { decision: 'accept', findings: empty.map((f) => f.id) }));
  expect(shellOf(id).plan.accepted).toEqual(empty.map((f) => f.id).sort());
  expect(frameView(context, shellOf(id), new Date()).states.decide).toBe(
    `${combed.open.length - empty.length} open`,
  );
  expect(orderRun(context, shellOf(id))).toMatchObject({ ok: false, trouble: { code: 'not-rehearsed' } });
  expect((await ended(must(orderRehearsal(context, shellOf(id))).jobId)).state).toBe('done');
  expect(sealedRehearsal(context, shellOf(id))?.closed.map((f) => f.id)).toEqual(
    expect.arrayContaining(empty.map((f) => f.id)),
  );

  const before = shellOf(id);
  expect((await ended(must(orderRun(context, before)).jobId)).state).toBe('done');
  const after = shellOf(id);
  expect(after.version.id).not.toBe(before.version.id);
  expect(after.plan.size).toBe(0);
  const [run] = runsOf(context, id);
  expect(JSON.parse(run!.summary)).toMatchObject({ blocked: 0, removed: { items: empty.length } });

  expect((await ended(must(orderUndo(context, after, run!)).jobId)).state).toBe('done');
  expect(shellOf(id).version.fingerprint).toBe(before.version.fingerprint);
  expect(orderUndo(context, shellOf(id), runsOf(context, id)[0]!)).toMatchObject({ ok: false });
}, 60_000);

test('house rules are tried without being kept, and kept ones mark the shell as combed by others', async () => {
  const strict = { checks: { 'orphan.empty-module': { on: false } } };
  const tried = await ended(must(orderTryRules(context, shellOf(id), strict)).jobId);
  expect(JSON.parse(tried.result!)).toEqual(
    expect.arrayContaining([expect.objectContaining({ check: 'orphan.empty-module', come: 0, go: 2 })]),
  );
  expect(keptRules(context).written).toEqual({});
  expect(keepRules(context, { leftoverPhrase: ['x'] })).toMatchObject({
    ok: false,
    trouble: { message: expect.stringContaining('leftoverPhrases') },
  });
  must(keepRules(context, strict));
  await ended(orderComb(context, shellOf(id)));
  expect(shellOf(id).open.some((f) => f.check === 'orphan.empty-module')).toBe(false);
  expect(combView(shellOf(id), keptRules(context).key).combed?.byOtherRules).toBe(false);
  must(keepRules(context, {}));
  expect(combView(shellOf(id), keptRules(context).key).combed?.byOtherRules).toBe(true);
}, 60_000);

test('what is exported is the shell, and the file is gone when it was sent', async () => {
  const { bytes, stream } = must(await exportShell(context, shellOf(id), 'package'));
  const blocks: Buffer[] = [];
  for await (const block of stream) blocks.push(block as Buffer);
  const all = Buffer.concat(blocks);
  expect(all.length).toBe(bytes);
  const file = join(folder, 'export.imscc');
  writeFileSync(file, all);
  const again = must(await readShell({ package: { path: file, name: 'export.imscc' }, today }));
  const original = must(
    await readShell({ package: { path: 'demo/out/geo-130/GEO-130.zip', name: 'GEO-130.zip' }, today }),
  );
  for (const { archive } of [again, original]) archive.close();
  expect(again.shell.items.map((i) => i.title)).toEqual(original.shell.items.map((i) => i.title));
  expect(again.shell.term).toEqual({ title: 'Spring 2027', start: '2027-01-11', end: '2027-05-07' });
  expect(readdirSync(join(paths.dataDir, 'exports'))).toEqual([]);
  expect(await exportShell(context, shellOf(id), 'events')).toMatchObject({
    ok: false,
    trouble: { message: 'There are no events to export.' },
  });
  expect(shellReport(context, shellOf(id))).toMatch(/^<!doctype html>/i);
}, 60_000);

test('a job is cancelled whether it waits or runs, and the next one goes on', async () => {
  const running = orderComb(context, shellOf(id));
  const waiting = orderComb(context, shellOf(id));
  const last = orderComb(context, shellOf(id));
  expect([context.jobs.cancel(waiting), context.jobs.cancel(running), context.jobs.cancel(running)]).toEqual([
    true,
    true,
    false,
  ]);
  expect([(await ended(running)).state, (await ended(waiting)).state, (await ended(last)).state]).toEqual([
    'cancelled',
    'cancelled',
    'done',
  ]);
  expect(context.jobs.idle).toBe(true);
}, 60_000);

test('what a restart cut off says so; a worker that can’t start fails its job and no more', async () => {
  const cut = orderComb(context, shellOf(id));
  await context.jobs.close();
  const again = openContext(paths);
  expect(await again.jobs.ended(randomUUID())).toBeNull();
  expect(again.jobs.view(cut)).toMatchObject({
    state: 'failed',
    trouble: expect.stringMatching(/restarted while this was running; nothing was changed/),
  });
  const lame = openContext({ ...paths, workerFile: join(folder, 'nowhere.mjs') });
  const job = orderComb(lame, findShell(lame, id)!);
  expect((await lame.jobs.ended(job))?.trouble).toMatch(
    /^Something went wrong in Currycomb itself, and nothing was changed/,
  );
  expect(existsSync(join(paths.dataDir, 'blobs'))).toBe(true);
  context = again;
});
