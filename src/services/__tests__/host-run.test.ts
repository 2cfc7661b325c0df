import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { hostNames, operations, runNotes } from '@/store/schema';
import { CampusHost } from '../../../stand-ins/campus/host';
import { setFields, type HostShell } from '../../../stand-ins/campus/host-shell';
import { seedShell } from '../../../stand-ins/campus/seed-shell';
import { startCampusHost, type RunningHost } from '../../../stand-ins/campus/serve';
import { allTroubles, noTroubles } from '../../../stand-ins/campus/troubles';
import { ledgerOf } from '@/services/keep/runs/ledger';
import { orderRun } from '@/services/do/carry-out/order-run';
import { orderUndo } from '@/services/do/carry-out/order-undo';
import { openRunOf } from '@/services/keep/runs/open-run';
import { editRestorePoint } from '@/services/do/carry-out/restore-points';
import { refusalOf } from '@/services/keep/runs/refused-run';
import { summaryOf } from '@/services/keep/runs/run-summary';
import { tick, workOrderView } from '@/services/show/carry-out/work-order';
import { wishOfRun } from '@/services/do/carry-out-on-host/wish';
import { orderPull, orderPullAgain } from '@/services/do/hosts/order-pull';
import { forgetHost } from '@/services/do/hosts/forget-host';
import { hostsOf } from '@/services/keep/hosts/host-records';
import { shellsAtHost, signInForm, signInToHost } from '@/services/do/hosts/sign-in';
import { orderRehearsal } from '@/services/do/rehearse/order-rehearsal';
import { runsOf } from '@/services/keep/shells/current-shell';
import { removeShell } from '@/services/do/shells/remove-shell';
import { shellOf } from '@/services/keep/shells/kept-state';
import type { Shell } from '@/core/shell/model';
import type { Sha256 } from '@/core/refs/refs';
import { DataFolder, must } from './data-folder';

let data: DataFolder;
let running: RunningHost;
let hostShell: string;
let id: string;

function seeded(pages: number): ShellComposer {
  const composer = new ShellComposer();
  composer.module('Week 1', { ref: 'm1' });
  composer.module('Week 2', { ref: 'm2' });
  for (let n = 0; n < pages; n += 1)
    composer.page(
      `Page ${n}`,
      `<p>Text ${n}, <a href="../page/r${3 + ((n + 1) % pages) * 2}.html">next</a>.</p>`,
      {
        ref: `p${n}`,
        parent: n % 2 ? 'm1' : 'm2',
        path: `page/r${3 + n * 2}.html`,
      },
    );
  composer.file('files/map.pdf', 'a map');
  return composer;
}

beforeEach(async () => {
  process.env['CURRYCOMB_HOST_PACE'] = 'quick';
  data = new DataFolder();
  const host = new CampusHost();
  const composer = seeded(30);
  hostShell = seedShell(host, { ...composer.shell(), code: 'BIO 1', title: 'Birds' }, composer.source);
  running = await startCampusHost(host);
  const form = signInForm.parse({
    address: `${running.address}/`,
    name: 'r.alder',
    secret: 'marsh-marigold',
  });
  const { id: hostId } = must(await signInToHost(data.context, form));
  const { shellId } = await data.job(orderPull(data.context, { hostId, shell: hostShell }));
  id = shellId ?? '';
});
afterEach(async () => {
  await data.close();
  await running.close();
});

const atHost = (): HostShell => {
  const shell = running.host.shells.get(hostShell);
  if (!shell) throw new Error('the shell is not at the host');
  return shell;
};
const titlesThere = () => {
  const { order, records } = atHost().collections.outline;
  return order.map((one) => String(records.get(one)?.fields['title']));
};
const shellHere = (): Shell => shellOf(data.context.blobs, data.now(id).version.stateBlob as Sha256);
const refOf = (title: string) => shellHere().items.find((item) => item.title === title)?.ref ?? '';

const plan = (action: string, titles: readonly string[], params: Record<string, unknown> = {}) =>
  data.plan(id, { action, targets: titles.map(refOf), params });
const rename = (title: string, to: string) => plan('rename', [title], { titles: { [refOf(title)]: to } });
const carryOut = async () => {
  await data.job(orderRehearsal(data.context, data.now(id)));
  return data.job(orderRun(data.context, data.now(id)));
};
const lastRun = () => {
  const [run] = runsOf(data.context, id);
  if (!run) throw new Error('there is no run');
  return run;
};

test('a shell is read from its host with its files, and told as here already', async () => {
  expect(shellHere().items).toHaveLength(32);
  expect(data.context.blobs.read(shellHere().files[0]?.sha256 as Sha256)?.toString()).toBe('a map');
  const [host] = hostsOf(data.context);
  expect(host).toEqual({ id: host?.id, address: running.address, name: 'r.alder', account: 'r.alder' });
  expect(must(await shellsAtHost(data.context, host?.id ?? ''))).toMatchObject([{ code: 'BIO 1', here: id }]);
  expect(orderPull(data.context, { hostId: host?.id ?? '', shell: hostShell })).toMatchObject({
    trouble: { code: 'here-already' },
  });
});

test('a host is forgotten with its secret, but not while a shell stands on it', async () => {
  const [host] = hostsOf(data.context);
  const hostId = host?.id ?? '';
  const file = () =>
    ['currycomb.sqlite', 'currycomb.sqlite-wal']
      .map((name) => join(data.dataDir, name))
      .map((path) => (existsSync(path) ? readFileSync(path, 'latin1') : ''))
      .join('');
  expect(forgetHost(data.context, hostId)).toMatchObject({
    trouble: { message: 'BIO 1 stands on this host; remove it from the list of shells first.' },
  });
  expect(file()).toContain('marsh-marigold');
  must(removeShell(data.context, data.now(id), 'BIO 1'));
  expect(must(forgetHost(data.context, hostId))).toEqual({ forgotten: running.address });
  expect(hostsOf(data.context)).toEqual([]);
  expect(file()).not.toContain('marsh-marigold');
  expect(forgetHost(data.context, hostId)).toMatchObject({ trouble: { code: 'no-host' } });
});

test('a wrong secret and a wrong address are said in a sentence, and nothing is kept', async () => {
  const wrong = { address: running.address, name: 'somebody', secret: 'no' };
  expect(await signInToHost(data.context, wrong)).toMatchObject({ trouble: { code: 'signed-out' } });
  expect(signInForm.safeParse({ ...wrong, address: 'ftp://x' }).error?.issues[0]?.message).toMatch(/address/);
  expect(hostsOf(data.context)).toHaveLength(1);
});

test('a plan is carried out there, proved by what is read back, and taken back with its links', async () => {
  const before = shellHere();
  await plan('delete', ['Page 4', 'Page 5'], { leaveBroken: true });
  await rename('Page 1', 'Page one');
  await plan('hide', ['Week 2']);
  await carryOut();
  expect(titlesThere()).not.toContain('Page 4');
  expect(titlesThere()).toContain('Page one');
  expect(summaryOf(lastRun())).toMatchObject({ done: 4, blocked: 0, differences: [], moreDifferences: 0 });
  expect(ledgerOf(data.context, lastRun().id).map(({ outcome }) => outcome)).toEqual([
    'done',
    'done',
    'done',
  ]);
  expect(data.now(id).plan.size).toBe(0);
  await data.job(orderUndo(data.context, data.now(id), lastRun()));
  expect(shellHere()).toEqual(before);
  // Over there the page is another one, and what linked to the old one links to it.
  const newNames = data.context.db.select().from(hostNames).all();
  expect(newNames.length).toBeGreaterThan(0);
  const texts = [...atHost().collections.contents.records.values()].flatMap(({ fields }) => fields['texts']);
  for (const { ref, there } of newNames) {
    expect(texts.join(' ')).not.toContain(ref);
    if (atHost().collections.contents.records.has(there)) expect(texts.join(' ')).toContain(there);
  }
  expect(runsOf(data.context, id).map(({ kind, state }) => [kind, state])).toEqual([
    ['undo', 'done'],
    ['plan', 'undone'],
  ]);
});

test('one step, and everything since a run, are taken back', async () => {
  const before = shellHere();
  await rename('Page 1', 'Once');
  await plan('hide', ['Page 2']);
  await carryOut();
  const first = lastRun();
  await rename('Page 3', 'Third');
  await carryOut();
  await data.job(orderUndo(data.context, data.now(id), first, { what: 'step', sequence: 0 }));
  expect(titlesThere()).toContain('Page 1');
  expect(titlesThere()).toContain('Third');
  await data.job(orderUndo(data.context, data.now(id), first, { what: 'since' }));
  expect(shellHere()).toEqual(before);
});

test('what somebody else changed meanwhile is left and told; before the run it stops it', async () => {
  await rename('Page 1', 'Ours');
  await plan('hide', ['Page 2']);
  await data.job(orderRehearsal(data.context, data.now(id)));
  const record = atHost().collections.outline.records.get(refOf('Page 1'));
  if (record) setFields(atHost(), 'outline', record, { ...record.fields, title: 'Theirs' });
  const stopped = await data.ended(must(orderRun(data.context, data.now(id))).jobId);
  expect(stopped).toMatchObject({
    state: 'failed',
    trouble: expect.stringMatching(/Theirs.*nothing was changed/),
  });
  expect(openRunOf(data.context, id)).toBeNull();
  expect(refusalOf(data.context, data.now(id))).toBe(stopped.trouble);
  await data.job(orderPullAgain(data.context, data.now(id)));
  expect(refusalOf(data.context, data.now(id))).toBeNull();
  expect(shellHere().items.map(({ title }) => title)).toContain('Theirs');
  // While it runs: nothing of theirs is written over, whatever the plan says.
  for (let n = 0; n < 30; n += 1)
    if (n !== 1) await plan('rename', [`Page ${n}`], { titles: { [refOf(`Page ${n}`)]: `Mine ${n}` } });
  await data.job(orderRehearsal(data.context, data.now(id)));
  const ordered = orderRun(data.context, data.now(id));
  const theirs = atHost().collections.outline.records.get(refOf('Page 29'));
  const meddle = setInterval(() => {
    if (openRunOf(data.context, id)?.state !== 'running' || !theirs || theirs.version > 1) return;
    setFields(atHost(), 'outline', theirs, { ...theirs.fields, title: 'Hands off' });
  }, 1);
  const view = await data.ended(must(ordered).jobId);
  clearInterval(meddle);
  await data.idle();
  if (view.state === 'done') {
    const summary = summaryOf(lastRun());
    const refused = ledgerOf(data.context, lastRun().id).filter(({ outcome }) => outcome === 'failed');
    expect(refused.every(({ reason }) => reason !== null)).toBe(true);
    expect(titlesThere().includes('Hands off') || summary.blocked === 0).toBe(true);
  } else expect(view.trouble).toMatch(/Hands off/);
  expect(titlesThere()).toContain('Hands off');
});

test('400 steps among all troubles end complete without help, and the ledger tells what was met', async () => {
  const composer = seeded(200);
  hostShell = seedShell(
    running.host,
    { ...composer.shell(), code: 'BIO 2', title: 'More birds' },
    composer.source,
  );
  const [host] = hostsOf(data.context);
  const { shellId } = await data.job(orderPull(data.context, { hostId: host?.id ?? '', shell: hostShell }));
  id = shellId ?? '';
  const before = shellHere();
  running.host.setTroubles({ ...allTroubles, slow: 0, hurry: 0, stall: 90, restart: 120, expire: 40 });
  for (let n = 0; n < 200; n += 1) {
    await rename(`Page ${n}`, `Seite ${n}`);
    await plan('hide', [`Page ${n}`]);
  }
  await carryOut();
  expect(ledgerOf(data.context, lastRun().id)).toHaveLength(400);
  expect(summaryOf(lastRun())).toMatchObject({ done: 400, blocked: 0, differences: [] });
  const notes = data.context.db.select().from(runNotes).where(eq(runNotes.runId, lastRun().id)).all();
  const sorts = new Set(notes.map(({ kind }) => kind));
  for (const sort of ['failed', 'signed-out', 'stalled']) expect(sorts).toContain(sort);
  await data.job(orderUndo(data.context, data.now(id), lastRun()));
  expect(shellHere()).toEqual(before);
});

test('a run pauses between batches, survives a restart, goes on, and is stopped with what it did', async () => {
  for (let n = 0; n < 30; n += 1) await rename(`Page ${n}`, `Seite ${n}`);
  await data.job(orderRehearsal(data.context, data.now(id)));
  const { jobId } = must(orderRun(data.context, data.now(id)));
  must(wishOfRun(data.context, id, { wish: 'pause' }));
  await data.ended(jobId);
  await data.idle();
  expect(openRunOf(data.context, id)).toMatchObject({ state: 'paused' });
  expect(orderRun(data.context, data.now(id))).toMatchObject({ trouble: { code: 'run-open' } });
  expect(orderPullAgain(data.context, data.now(id))).toMatchObject({ trouble: { code: 'run-open' } });
  await data.restart();
  expect(openRunOf(data.context, id)).toMatchObject({ state: 'paused' });
  await data.job(wishOfRun(data.context, id, { wish: 'go' }));
  expect(titlesThere().filter((title) => title.startsWith('Seite'))).toHaveLength(30);
  expect(wishOfRun(data.context, id, { wish: 'go' })).toMatchObject({ trouble: { code: 'no-run' } });
});

test('without the restore point, whose files it would need, a run is not taken back', async () => {
  await plan('hide', ['Page 2']);
  await carryOut();
  const { beforeVersion } = lastRun();
  must(editRestorePoint(data.context, data.now(id), { edit: 'throw-away', id: beforeVersion }));
  for (const what of ['run', 'since'] as const)
    expect(orderUndo(data.context, data.now(id), lastRun(), { what })).toMatchObject({
      trouble: { code: 'no-restore-point' },
    });
});

test('what a stopped run did not send stays in the plan', async () => {
  for (let n = 0; n < 30; n += 1) await rename(`Page ${n}`, `Seite ${n}`);
  await data.job(orderRehearsal(data.context, data.now(id)));
  const { jobId } = must(orderRun(data.context, data.now(id)));
  must(wishOfRun(data.context, id, { wish: 'stop' }));
  await data.ended(jobId);
  await data.idle();
  const { stopped = 0 } = summaryOf(lastRun());
  expect(titlesThere().filter((title) => title.startsWith('Seite'))).toHaveLength(30 - stopped);
  expect(data.now(id).plan.size).toBe(30);
  expect(refusalOf(data.context, data.now(id))).toBeNull();
});

test('a host that is not there pauses the run; it goes on when it is back', async () => {
  await rename('Page 1', 'Once');
  await data.job(orderRehearsal(data.context, data.now(id)));
  running.host.setTroubles({ ...noTroubles, fail: 0.9, seed: 3 });
  const view = await data.ended(must(orderRun(data.context, data.now(id))).jobId);
  expect(view.state).toBe('done');
  expect(JSON.parse(view.result ?? '{}')).toMatchObject({ paused: expect.stringMatching(/tries/) });
  running.host.setTroubles(noTroubles);
  await data.job(wishOfRun(data.context, id, { wish: 'go' }));
  expect(titlesThere()).toContain('Once');
});

test('what the host lets nobody do stands in the work order', async () => {
  await data.plan(id, { action: 'set-facts', targets: [shellHere().ref], params: { title: 'Other' } });
  await rename('Page 1', 'Once');
  await carryOut();
  const rows = data.context.db.select().from(operations).where(eq(operations.runId, lastRun().id)).all();
  expect(rows.map(({ action, state }) => [action, state])).toEqual([
    ['rename', 'done'],
    ['set-facts', 'by-hand'],
  ]);
  const view = workOrderView(data.context, data.now(id));
  const [line] = view.left.flatMap(({ lines }) => lines);
  expect(line).toMatchObject({
    what: 'Change what the shell says of itself: title “Other”.',
    tickedAt: null,
  });
  const { runId = '', sequence = -1 } = line ?? {};
  must(tick(data.context, id, { runId, sequence, ticked: true }));
  expect(workOrderView(data.context, data.now(id))).toMatchObject({ open: 0, ticked: 1 });
  expect(ledgerOf(data.context, runId).map(({ outcome }) => outcome)).toEqual(['done', 'ticked']);
  expect(tick(data.context, id, { runId, sequence: 0, ticked: true })).toMatchObject({
    trouble: { code: 'no-line' },
  });
});
