import { randomUUID } from 'node:crypto';
import { readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { jobs } from '@/store/schema';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { bringInSchema, orderBringIn } from '@/services/do/bring-in/order-bring-in';
import { readShell } from '@/services/do/packages/read-shell';
import { uploadsDir } from '@/services/do/bring-in/uploads';
import { orderRun } from '@/services/do/carry-out/order-run';
import { orderUndo } from '@/services/do/carry-out/order-undo';
import { ledgerOf } from '@/services/keep/runs/ledger';
import { summaryOf } from '@/services/keep/runs/run-summary';
import type { Context } from '@/services/keep/desks/context';
import { combView } from '@/services/show/comb/comb-view';
import { decide } from '@/services/do/decide/decisions';
import { evidenceOf } from '@/services/show/decide/evidence';
import { compareRun } from '@/services/show/prove/comparison';
import { drawPage } from '@/formats/report/model/draw-page';
import { exportShell } from '@/services/do/export/export-shell';
import { auditOf, runOf, signOffOf } from '@/services/show/reports/shell-reports';
import { orderRehearsal, sealedRehearsal } from '@/services/do/rehearse/order-rehearsal';
import { frameView } from '@/services/show/shells/frame-view';
import { findRun, runsOf } from '@/services/keep/shells/current-shell';
import { listShells } from '@/services/show/shells/shell-list';
import { DataFolder, today } from './data-folder';

let data: DataFolder;
let context: Context;
beforeAll(() => {
  data = new DataFolder();
  ({ context } = data);
});
afterAll(() => data.close());

const job: DataFolder['job'] = (ordered) => data.job(ordered);
const now = (id: string) => data.now(id);
const open = (id: string) => data.findings(id);
const leftBe = (id: string) => data.findings(id, 'left-be');
const upload = (path: string, name?: string) => ({ ...data.upload(path), ...(name ? { name } : {}) });
const ended = (jobId: string) => data.ended(jobId);
const blobCount = () => context.blobs.list().length;
const bringIn = (build: (c: ShellComposer) => void, code?: string) => data.bringIn(build, code);
const doubled = (c: ShellComposer) => {
  for (const k of ['a', 'b'])
    for (let n = 0; n < 6; n += 1)
      c.page(`Page ${n}`, `<p>The ${n}th text about the stream and its gauge.</p>`, {
        ref: `${k}${n}`,
        path: `${k}/p${n}.html`,
      });
  c.page('Outlook', '<p>See <a href="../b/p2.html">there</a> for more.</p>', { ref: 'o', path: 'x/o.html' });
  c.file('left.txt', 'left over');
};

test('from a dropped package to the clean download, and all the way back', async () => {
  const id = await bringIn(doubled);
  expect(listShells(context)).toMatchObject([{ code: 'HYD 1', items: 13, percent: null, openTotal: 0 }]);
  expect(readdirSync(uploadsDir(context))).toEqual([]);
  await data.comb(id);
  const combed = now(id);
  const found = open(id);
  const view = combView(context, combed);
  expect(view.headline).toBe('6 items stand twice, and 1 file nothing points at');
  expect(frameView(context, combed, new Date()).states.decide).toBe(
    `${found.filter((f) => f.coveredBy === null).length} open`,
  );
  const pair = found.find((f) => f.check === 'duplicate.same-content')!;
  expect(evidenceOf(context, combed, pair.id)).toMatchObject({
    items: [{ ref: 'a0', students: 'Shown' }, { ref: 'b0' }],
    difference: [{ side: 'both' }],
  });
  expect(evidenceOf(context, combed, 'no-such-id')).toBeNull();

  expect(orderRun(context, combed)).toMatchObject({ ok: false, trouble: { code: 'not-rehearsed' } });
  expect(orderRehearsal(context, combed)).toMatchObject({ ok: false, trouble: { code: 'empty-plan' } });
  const wanted = view.batches.filter((b) => b.action !== null).flatMap((b) => b.findings);
  expect(decide(context, combed, { decision: 'accept', findings: wanted })).toMatchObject({ ok: true });
  const planned = now(id);
  expect(planned.plan.size).toBe(7);
  await job(orderRehearsal(context, planned));
  expect(sealedRehearsal(context, now(id))?.view).toMatchObject({
    removed: { items: 6, files: 1 },
    relinked: 1,
    broken: [],
    caused: [],
  });

  // A plan that changes after its rehearsal has to be rehearsed again.
  const file = found.find((f) => f.check === 'orphan.unused-file')!;
  decide(context, planned, { decision: 'reopen', findings: [file.id] });
  expect(sealedRehearsal(context, now(id))).toBeNull();
  decide(context, now(id), { decision: 'accept', findings: [file.id] });

  const { runId } = await job(orderRun(context, now(id)));
  const done = now(id);
  expect(done.plan.size).toBe(0);
  expect(done.smoothness).toEqual({ percent: 100, smooth: 7, total: 7 });
  const run = findRun(context, id, runId!)!;
  expect(summaryOf(run)).toMatchObject({ done: 7, blocked: 0, relinked: 1 });
  expect(ledgerOf(context, run.id).map((l) => [l.direction, l.action, l.outcome])).toEqual([
    ['do', 'delete', 'done'],
    ['do', 'delete', 'done'],
  ]);
  const proof = compareRun(context, done, run)!;
  expect([proof.before.findings.length, proof.after.findings.length, proof.caused.length]).toEqual([
    found.length,
    proof.after.findings.filter((f) => f.family === 'readiness').length,
    0,
  ]);

  const exported = await exportShell(context, done, 'package');
  if (!exported.ok) throw new Error(exported.trouble.message);
  const blocks: Buffer[] = [];
  for await (const block of exported.value.stream) blocks.push(block as Buffer);
  const out = join(data.folder, 'out.imscc');
  writeFileSync(out, Buffer.concat(blocks));
  expect(statSync(out).size).toBe(exported.value.bytes);
  const read = await readShell({ package: { path: out, name: 'out.imscc' }, today });
  if (!read.ok) throw new Error(read.trouble.message);
  read.value.archive.close();
  expect(read.value.shell.items.map((i) => i.ref)).toEqual(['a0', 'a1', 'a2', 'a3', 'a4', 'a5', 'o']);
  expect(read.value.shell.contents.at(-1)!.texts[0]).toBe(
    '<p>See <a href="../a/p2.html">there</a> for more.</p>',
  );
  const audited = auditOf(context, done, false);
  expect(audited && drawPage(audited)).toContain('100 % smooth');
  const ran = runOf(context, done, null);
  expect(ran?.tables.map(({ id }) => id)).toEqual(['steps', 'families']);
  expect(ran?.figure).toMatch(/^\S+ steps? done; removed: /);
  const signed = signOffOf(context, done);
  expect(signed?.tables.find(({ id }) => id === 'opening-day')?.rows).toHaveLength(13);
  expect(signed?.tables.find(({ id }) => id === 'runs')?.rows.length).toBeGreaterThan(0);
  expect(signed?.signatures).toEqual(['Looked over by', 'Date']);
  expect(await exportShell(context, done, 'events')).toMatchObject({
    ok: false,
    trouble: { code: 'not-written' },
  });

  await job(orderUndo(context, done, run));
  const back = now(id);
  expect(back.version.id).toBe(combed.version.id);
  expect(back.version.fingerprint).toBe(combed.version.fingerprint);
  expect(open(id).map((f) => f.id)).toEqual(found.map((f) => f.id));
  expect(runsOf(context, id)[0]!.state).toBe('undone');
  expect(orderUndo(context, back, findRun(context, id, runId!)!)).toMatchObject({
    ok: false,
    trouble: { code: 'undone-already' },
  });
  expect(ledgerOf(context, runId!).filter((l) => l.direction === 'undo')).toHaveLength(2);
});

test('what was left be stays so for the course, and can be opened again', async () => {
  const first = await bringIn(doubled, 'GEO 9');
  await data.comb(first);
  const file = open(first).find((f) => f.check === 'orphan.unused-file')!;
  decide(context, now(first), { decision: 'leave-be', findings: [file.id] });
  expect(leftBe(first).map((f) => f.id)).toEqual([file.id]);
  // Next term: the same course under other identifiers and paths.
  const second = await bringIn((c) => {
    c.page('Only page', '<p>Something new for this term altogether.</p>');
    c.file('moved/left-again.txt', 'left over');
  }, 'geo 9');
  await data.comb(second);
  expect(leftBe(second)).toHaveLength(1);
  decide(context, now(second), { decision: 'reopen', findings: [leftBe(second)[0]!.id] });
  expect(leftBe(second)).toEqual([]);
  expect(leftBe(first)).toEqual([]);
});

test('another remedy than the proposed one becomes a step of the plan', async () => {
  const id = await bringIn(doubled, 'BIO 2');
  await data.comb(id);
  const pair = open(id).find((f) => f.check === 'duplicate.repeated-import')!;
  expect(
    decide(context, now(id), {
      decision: 'change',
      findings: [pair.id],
      other: 0,
    }),
  ).toMatchObject({ ok: true });
  await job(orderRehearsal(context, now(id)));
  expect(sealedRehearsal(context, now(id))?.view).toMatchObject({
    removed: { items: 0 },
    lost: ['Page 0', 'Page 1', 'Page 2', 'Page 3', 'Page 4', 'Page 5'],
  });
  expect(decide(context, now(id), { decision: 'accept', findings: ['0123456789ab'] })).toMatchObject({
    ok: false,
    trouble: { code: 'finding-gone' },
  });
});

test('a package that can’t be read leaves nothing behind: no row, no blob, no upload', async () => {
  await data.idle();
  const before = { shells: listShells(context).length, blobs: blobCount() };
  const bad = join(data.folder, 'bad.imscc');
  writeFileSync(bad, 'not a zip');
  const form = bringInSchema.parse({ package: upload(bad, 'bad.imscc') });
  const ordered = orderBringIn(context, form, today);
  const view = await ended(ordered.ok ? ordered.value.jobId : '');
  expect(view).toMatchObject({
    state: 'failed',
    trouble: expect.stringContaining('“bad.imscc” can’t be read as a zip archive'),
  });

  // A calendar that is none, after the whole package had been stored.
  const c = new ShellComposer();
  doubled(c);
  c.file('big.txt', 'something that no other shell has');
  const good = join(data.folder, 'good.imscc');
  await c.write(good);
  const second = orderBringIn(
    context,
    bringInSchema.parse({ package: upload(good, 'good.imscc'), events: upload(bad, 'bad.ics') }),
    today,
  );
  expect(await ended(second.ok ? second.value.jobId : '')).toMatchObject({
    state: 'failed',
    trouble: expect.stringContaining('“bad.ics” is not an iCalendar file'),
  });
  // What it had stored is swept by a job of its own.
  await data.idle();
  expect({ shells: listShells(context).length, blobs: blobCount() }).toEqual(before);
  expect(readdirSync(uploadsDir(context))).toEqual([]);
});

test('a cancelled job changes nothing, and what a restart cut off goes on', async () => {
  const before = listShells(context).length;
  const c = new ShellComposer();
  doubled(c);
  const path = join(data.folder, 'cancel.imscc');
  await c.write(path);
  const ordered = orderBringIn(context, bringInSchema.parse({ package: upload(path, 'x.imscc') }), today);
  const id = ordered.ok ? ordered.value.jobId : '';
  expect(context.jobs.cancel(id)).toBe(true);
  expect(await ended(id)).toMatchObject({ state: 'cancelled' });
  expect(context.jobs.cancel(id)).toBe(false);
  expect(listShells(context).length).toBe(before);

  const again = orderBringIn(context, bringInSchema.parse({ package: upload(path, 'x.imscc') }), today);
  await data.restart();
  ({ context } = data);
  // What the restart cut off is done all the same, once.
  expect(await ended(again.ok ? again.value.jobId : '')).toMatchObject({ state: 'done' });
  expect(listShells(context).length).toBe(before + 1);
  await data.idle();
});

test('closing waits for what is just being cancelled: nothing is written to a database that is gone', async () => {
  const sweeps = () => context.db.select().from(jobs).where(eq(jobs.kind, 'sweep')).all().length;
  await data.idle();
  const before = sweeps();
  const c = new ShellComposer();
  doubled(c);
  const path = join(data.folder, 'cancel-and-close.imscc');
  await c.write(path);
  const ordered = orderBringIn(context, bringInSchema.parse({ package: upload(path, 'x.imscc') }), today);
  expect(context.jobs.cancel(ordered.ok ? ordered.value.jobId : '')).toBe(true);
  await data.restart();
  ({ context } = data);
  // A cancelled reading orders the sweep of what it left; that was written before the folder was let go.
  expect(sweeps()).toBe(before + 1);
  await data.idle();
});

test('a form that makes no sense is refused by its field', () => {
  const ok = { package: { id: randomUUID(), name: 'x' } };
  expect(bringInSchema.safeParse({ ...ok, termStart: '2027-02-30' }).error?.issues[0]?.message).toMatch(
    /“2027-02-30” is no day/,
  );
  expect(bringInSchema.safeParse({ ...ok, timeZone: 'Mars' }).success).toBe(false);
  expect(bringInSchema.safeParse({ package: { id: '../../etc/passwd', name: 'x' } }).success).toBe(false);
  expect(orderBringIn(context, bringInSchema.parse(ok), today)).toMatchObject({
    ok: false,
    trouble: { code: 'upload-gone' },
  });
});
