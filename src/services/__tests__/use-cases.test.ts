import { randomUUID } from 'node:crypto';
import { readdirSync, writeFileSync } from 'node:fs';
import { eq } from 'drizzle-orm';
import { join } from 'node:path';
import { bringInSchema, orderBringIn } from '@/services/do/bring-in/order-bring-in';
import { uploadsDir } from '@/services/do/bring-in/uploads';
import { readShell } from '@/services/do/packages/read-shell';
import { orderRun } from '@/services/do/carry-out/order-run';
import { orderUndo } from '@/services/do/carry-out/order-undo';
import { combView } from '@/services/show/comb/comb-view';
import { orderComb } from '@/services/do/comb/order-comb';
import type { Context } from '@/services/keep/desks/context';
import { decide } from '@/services/do/decide/decisions';
import { plannedActions } from '@/services/keep/plan/plan';
import { keepRules, keptRules } from '@/services/keep/rules/house-rules';
import { orderTryRules } from '@/services/do/rules/try-rules';
import type { JobView } from '@/services/keep/jobs/job-queue';
import { exportShell } from '@/services/do/export/export-shell';
import { auditOf, signOffOf } from '@/services/show/reports/shell-reports';
import { orderRehearsal, sealedRehearsal } from '@/services/do/rehearse/order-rehearsal';
import { findShell, runsOf, type CurrentShell } from '@/services/keep/shells/current-shell';
import { frameView } from '@/services/show/shells/frame-view';
import { rehearsals } from '@/store/schema';
import { DataFolder, must, today } from './data-folder';

// The use cases over a real database and the real worker threads, without the web around them.
let folder: DataFolder;
let context: Context;
beforeAll(() => {
  folder = new DataFolder();
  ({ context } = folder);
});
afterAll(() => folder.close());

const ended = (jobId: string): Promise<JobView> => folder.ended(jobId);
const upload = (path: string) => folder.upload(path);
const shellOf = (id: string): CurrentShell => folder.now(id);
async function broughtIn(form: object): Promise<JobView> {
  return ended(must(orderBringIn(context, bringInSchema.parse(form), today)).jobId);
}

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
    audit: null,
    plan: { size: 0 },
  });
  expect(readdirSync(uploadsDir(context))).toEqual([]);
  expect(orderRehearsal(context, shellOf(id))).toMatchObject({
    ok: false,
    trouble: { message: expect.stringMatching(/^The plan is empty/) },
  });
});

test('what can’t be read leaves nothing behind, and the sentence says why', async () => {
  const broken = join(folder.folder, 'broken.zip');
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

/** Has the rehearsal look as one that an earlier Currycomb kept, with the audit of the copy whole, while something is tried. */
function keptByEarlierOne(shellId: string, work: () => void): void {
  const { db } = folder.context;
  const [kept] = db.select().from(rehearsals).where(eq(rehearsals.shellId, shellId)).all();
  const view = JSON.parse(kept!.view) as { readonly after: { readonly findings: unknown } };
  const { findings, ...after } = view.after;
  const earlier = JSON.stringify({ ...view, after: { ...after, audit: { findings } } });
  const put = (text: string) =>
    db.update(rehearsals).set({ view: text }).where(eq(rehearsals.shellId, shellId)).run();
  put(earlier);
  work();
  put(kept!.view);
}

test('combed, decided, rehearsed, carried out, taken back', async () => {
  expect((await ended(orderComb(context, shellOf(id)))).state).toBe('done');
  const combed = shellOf(id);
  const findings = folder.findings(id);
  const view = combView(context, combed);
  expect(view.combed?.byOtherRules).toBe(false);
  expect(view.findings.length).toBeGreaterThan(10);
  const empty = findings.filter((f) => f.check === 'orphan.empty-module');
  const without = findings.find((f) => f.remedy === null)!;
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
  expect(folder.findings(id, 'left-be').map((f) => f.id)).toEqual([without.id]);
  must(decide(context, shellOf(id), { decision: 'reopen', findings: [without.id] }));
  expect(folder.findings(id)).toHaveLength(findings.length);

  must(decide(context, shellOf(id), { decision: 'accept', findings: empty.map((f) => f.id) }));
  expect(
    plannedActions(context.db, id)
      .map((p) => p.finding)
      .sort(),
  ).toEqual(empty.map((f) => f.id).sort());
  expect(frameView(context, shellOf(id), new Date()).states.decide).toBe(
    `${findings.length - empty.length} open`,
  );
  expect(orderRun(context, shellOf(id))).toMatchObject({ ok: false, trouble: { code: 'not-rehearsed' } });
  expect((await ended(must(orderRehearsal(context, shellOf(id))).jobId)).state).toBe('done');
  expect(sealedRehearsal(context, shellOf(id))?.view.closed.map((f) => f.id)).toEqual(
    expect.arrayContaining(empty.map((f) => f.id)),
  );
  keptByEarlierOne(id, () => expect(sealedRehearsal(context, shellOf(id))).toBeNull());

  const before = shellOf(id);
  expect((await ended(must(orderRun(context, before)).jobId)).state).toBe('done');
  const after = shellOf(id);
  expect(after.version.id).not.toBe(before.version.id);
  expect(after.plan.size).toBe(0);
  const [run] = runsOf(context, id);
  expect(JSON.parse(run!.summary ?? '')).toMatchObject({ blocked: 0, removed: { items: empty.length } });

  expect((await ended(must(orderUndo(context, after, run!)).jobId)).state).toBe('done');
  expect(shellOf(id).version.fingerprint).toBe(before.version.fingerprint);
  expect(orderUndo(context, shellOf(id), runsOf(context, id)[0]!)).toMatchObject({ ok: false });
});

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
  expect(folder.findings(id).some((f) => f.check === 'orphan.empty-module')).toBe(false);
  expect(combView(context, shellOf(id)).combed?.byOtherRules).toBe(false);
  must(keepRules(context, {}));
  expect(combView(context, shellOf(id)).combed?.byOtherRules).toBe(true);
});

test('what is exported is the shell, and the file is gone when it was sent', async () => {
  const { bytes, stream } = must(await exportShell(context, shellOf(id), 'package'));
  const blocks: Buffer[] = [];
  for await (const block of stream) blocks.push(block as Buffer);
  const all = Buffer.concat(blocks);
  expect(all.length).toBe(bytes);
  const file = join(folder.folder, 'export.imscc');
  writeFileSync(file, all);
  const again = must(await readShell({ package: { path: file, name: 'export.imscc' }, today }));
  const original = must(
    await readShell({ package: { path: 'demo/out/geo-130/GEO-130.zip', name: 'GEO-130.zip' }, today }),
  );
  for (const { archive } of [again, original]) archive.close();
  expect(again.shell.items.map((i) => i.title)).toEqual(original.shell.items.map((i) => i.title));
  expect(again.shell.term).toEqual({ title: 'Spring 2027', start: '2027-01-11', end: '2027-05-07' });
  expect(readdirSync(join(folder.dataDir, 'exports'))).toEqual([]);
  expect(await exportShell(context, shellOf(id), 'events')).toMatchObject({
    ok: false,
    trouble: { message: 'There are no events to export.' },
  });
  expect(auditOf(context, shellOf(id), false)?.title).toContain('what Currycomb found');
  expect(signOffOf(context, shellOf(id))?.tables.map((table) => table.id)).toContain('opening-day');
});

test('a job is cancelled whether it waits or runs, and the next one goes on', async () => {
  const running = orderComb(context, shellOf(id));
  // The same, ordered twice, is the one that is under way.
  expect(orderComb(context, shellOf(id))).toBe(running);
  expect(context.jobs.underWay(id)?.id).toBe(running);
  const stateBlob = shellOf(id).version.stateBlob as never;
  const file = join(folder.folder, 'never-written');
  const waiting = context.jobs.order('export', id, { stateBlob, what: 'state', file });
  expect([context.jobs.cancel(waiting), context.jobs.cancel(running), context.jobs.cancel(running)]).toEqual([
    true,
    true,
    false,
  ]);
  const last = orderComb(context, shellOf(id));
  expect([(await ended(running)).state, (await ended(waiting)).state, (await ended(last)).state]).toEqual([
    'cancelled',
    'cancelled',
    'done',
  ]);
  await folder.idle();
});

test('a paused job waits until it is resumed', async () => {
  const job = orderComb(context, shellOf(id));
  expect(context.jobs.pause(job)).toBe(true);
  await new Promise((resolve) => setTimeout(resolve, 300));
  expect(context.jobs.view(job)?.state).toBe('paused');
  expect(context.jobs.resume(job)).toBe(true);
  expect((await ended(job)).state).toBe('done');
});

test('what a restart cut off goes on; a worker that can’t start fails its job and no more', async () => {
  const cut = orderComb(context, shellOf(id));
  await folder.restart();
  ({ context } = folder);
  expect(await context.jobs.ended(randomUUID())).toBeNull();
  expect((await ended(cut)).state).toBe('done');
  await folder.idle();
  await context.close();
  const lame = folder.open({ workers: join(folder.folder, 'nowhere') });
  const job = orderComb(lame, findShell(lame, id)!);
  expect((await lame.jobs.ended(job))?.trouble).toMatch(
    /^Something went wrong in Currycomb itself. Nothing was changed./,
  );
  await lame.close();
  context = folder.context = folder.open();
});

test('a second process on the same folder is refused in one sentence', () => {
  expect(() => folder.open()).toThrow(/already uses the folder .*CURRYCOMB_DATA\.$/);
});
