import { copyFileSync, mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { LocalDateTime } from '@/core/dates/local-date';
import { ShellComposer } from '@/formats/cartridge/compose-shell';
import { assignRules, beginRuleSet, dropRuleSet, listRuleSets } from '@/services/do/rules/rule-sets';
import { houseSet, keepRules, rulesFor } from '@/services/keep/rules/house-rules';
import { combTogether } from '@/services/do/many-shells/comb-together';
import { decideTogether } from '@/services/do/many-shells/decide-together';
import { jobsProgress } from '@/services/do/many-shells/jobs-progress';
import { jointLoad } from '@/services/show/many-shells/joint-load';
import { layBy, removeTogether } from '@/services/do/many-shells/lay-by';
import { sameFindings, shellsOf } from '@/services/do/many-shells/same-findings';
import { writeSummary } from '@/services/show/many-shells/summary';
import { planOf } from '@/services/keep/plan/plan';
import { listShells } from '@/services/show/shells/shell-list';
import { uploadsDir } from '@/services/do/bring-in/uploads';
import { FolderWatcher } from '@/services/do/watched/folder-watcher';
import { setWatchedFolder, watchedView } from '@/services/do/watched/watched-folder';
import { DataFolder, must } from './data-folder';

let folder: DataFolder;
let ids: string[];
/** Sections of one course, as copies have them: the same pages, one section with something more. */
const section = (extra: boolean) => (c: ShellComposer) => {
  c.module('Left empty', { ref: 'm1' });
  c.page('Welcome', '<p>[insert your name] teaches this course about streams and their banks.</p>', {
    ref: 'p1',
    path: 'p1.html',
  });
  c.assignment('Report', '<p>Hand in what you measured at the weir this week.</p>', 10, {
    ref: 'a1',
    due: '2027-02-03T23:59:00' as LocalDateTime,
  });
  if (extra) c.module('Another empty one', { ref: 'm2' });
};

beforeAll(async () => {
  folder = new DataFolder();
  ids = [
    await folder.bringIn(section(false), 'HYD 214-A'),
    await folder.bringIn(section(true), 'HYD 214-B'),
    await folder.bringIn(section(false), 'HYD 214-C'),
  ];
});
afterAll(() => folder.close());
const chosen = (wanted: readonly string[] = ids) => wanted.map((id) => folder.now(id));

test('all are combed with one figure for all of them', async () => {
  const { jobIds } = must(combTogether(folder.context, ids));
  expect(jobIds).toHaveLength(3);
  expect(jobsProgress(folder.context, { ids: [...jobIds] })).toMatchObject({ all: 3, troubles: [] });
  await Promise.all(jobIds.map((id) => folder.ended(id)));
  await folder.idle();
  expect(jobsProgress(folder.context, { ids: [...jobIds] })).toMatchObject({ all: 3, over: 3, underWay: 0 });
  expect(combTogether(folder.context, ['nobody'])).toMatchObject({ ok: false });
});

test('the same finding stands in one row, and one decision goes into the plan of each shell', async () => {
  const view = sameFindings(folder.context, chosen());
  const empty = view.findings.find(({ title }) => title.includes('Left empty'));
  const placeholder = view.findings.find(({ check }) => check === 'outdated.placeholder-text');
  expect(empty && shellsOf(empty)).toBe(3);
  expect(placeholder && shellsOf(placeholder)).toBe(3);
  const { check, substance } = empty!;
  const order = { shells: ids, findings: [{ check, substance }] };
  const decided = must(await decideTogether(folder.context, { ...order, decision: 'accept' }));
  expect(decided.map(({ findings, trouble }) => [findings, trouble])).toEqual([
    [1, null],
    [1, null],
    [1, null],
  ]);
  for (const id of ids) expect(planOf(folder.context.db, id)).toHaveLength(1);
  const left = sameFindings(folder.context, chosen()).findings;
  expect(left.some((one) => one.check === check && one.substance === substance)).toBe(false);
  // And back again, in all of them.
  must(await decideTogether(folder.context, { ...order, decision: 'reopen' }));
  for (const id of ids) expect(planOf(folder.context.db, id)).toEqual([]);
});

test('what only one shell has is decided there alone; what is gone says so', async () => {
  const view = sameFindings(folder.context, chosen());
  const only = view.findings.find(({ title }) => title.includes('Another empty one'));
  expect(only && shellsOf(only)).toBe(1);
  const { check, substance } = only!;
  const order = {
    shells: ids,
    findings: [{ check, substance }],
    decision: 'leave-be' as const,
    reason: 'kept free',
  };
  const decided = must(await decideTogether(folder.context, order));
  expect(decided.map(({ findings }) => findings)).toEqual([0, 1, 0]);
  expect(folder.findings(ids[1]!, 'left-be')).toHaveLength(1);
  const gone = { shells: ids, findings: [{ check, substance: 'nothing' }], decision: 'accept' as const };
  expect(await decideTogether(folder.context, gone)).toMatchObject({
    ok: false,
    trouble: { code: 'finding-gone' },
  });
});

test('the deadlines of all of them week by week', () => {
  const load = jointLoad(folder.context, chosen());
  expect(load.unknown).toEqual([]);
  expect(load.weeks.filter(({ total }) => total > 0)).toEqual([
    { monday: '2027-02-01', due: Object.fromEntries(ids.map((id) => [id, 1])), total: 3 },
  ]);
});

test('a summary of all of them, one that was not combed among them', async () => {
  const fresh = await folder.bringIn(section(false), 'HYD 214-D');
  const { text } = writeSummary(folder.context, chosen([...ids, fresh]), 'csv');
  const lines = text.trim().split('\r\n');
  expect(lines).toHaveLength(5);
  expect(lines[1]).toMatch(/^HYD 214-A/);
  expect(lines[4]).toMatch(/not combed yet/);
  ids.push(fresh);
});

test('a department has rules of its own; its shells say when they were combed by others', () => {
  const { context } = folder;
  const { id } = must(beginRuleSet(context, { name: 'Ecology', like: houseSet }));
  expect(beginRuleSet(context, { name: 'ecology', like: houseSet })).toMatchObject({ ok: false });
  must(keepRules(context, { checks: { 'orphan.empty-module': { on: false } } }, id));
  must(assignRules(context, { shells: [ids[0]!], set: id }));
  expect(listRuleSets(context)).toMatchObject([{ shells: 3 }, { name: 'Ecology', shells: 1 }]);
  const [first, second] = chosen();
  expect(rulesFor(context, first!.row).key).not.toBe(first!.audit?.rulesKey);
  expect(rulesFor(context, second!.row).key).toBe(second!.audit?.rulesKey);
  expect(assignRules(context, { shells: ids, set: 'nowhere' })).toMatchObject({ ok: false });
  expect(dropRuleSet(context, { id: houseSet })).toMatchObject({ ok: false });
  must(dropRuleSet(context, { id }));
  expect(folder.now(ids[0]!).row.rulesId).toBeNull();
});

test('shells are laid by, taken up again, and removed when their number was typed', () => {
  const { context } = folder;
  layBy(context, { shells: ids.slice(2), laidBy: true });
  expect(listShells(context).filter(({ laidByAt }) => laidByAt !== null)).toHaveLength(2);
  layBy(context, { shells: ids.slice(2), laidBy: false });
  const two = ids.slice(2);
  expect(removeTogether(context, { shells: two, typed: '3' })).toMatchObject({ ok: false });
  expect(listShells(context)).toHaveLength(4);
  must(removeTogether(context, { shells: two, typed: '2' }));
  expect(listShells(context).map(({ code }) => code)).toEqual(['HYD 214-A', 'HYD 214-B']);
});

describe('a watched folder', () => {
  const watched = mkdtempSync(join(tmpdir(), 'currycomb-watched-'));
  let watcher: FolderWatcher;
  const come = async (name: string, build: (c: ShellComposer) => void) => {
    const composer = new ShellComposer();
    build(composer);
    const path = join(folder.folder, 'coming.imscc');
    await composer.write(path);
    copyFileSync(path, join(watched, name));
  };
  const packages = () => watchedView(folder.context).packages;
  const until = async (isSo: () => boolean) => {
    for (let n = 0; n < 400 && !isSo(); n += 1) await new Promise((resolve) => setTimeout(resolve, 50));
  };
  beforeAll(async () => {
    watcher = new FolderWatcher(folder.context, { stable: 300, quiet: 400 });
    must(setWatchedFolder(folder.context, { path: watched }));
    await watcher.begin();
  });
  afterAll(async () => {
    await watcher.end();
    rmSync(watched, { recursive: true, force: true });
  });

  test('what comes is brought in with its side files and combed; it is not taken twice', async () => {
    mkdirSync(join(watched, 'spring'));
    await come('spring/geo-130.imscc', section(false));
    const sheet = 'ref,shown\nm1,no\n';
    writeFileSync(join(watched, 'spring/geo-130.status.csv'), sheet);
    await until(() => packages()[0]?.state === 'here');
    await folder.idle();
    const [one] = packages();
    expect(one).toMatchObject({ state: 'here', trouble: null });
    const shell = folder.now(one?.shellId ?? '');
    expect(shell.row.code).toBe('GEO 130');
    expect(shell.audit).not.toBeNull();
    await watcher.begin();
    await new Promise((resolve) => setTimeout(resolve, 1_500));
    expect(packages()).toHaveLength(1);
    // The copies are gone when they have been read.
    expect(readdirSync(uploadsDir(folder.context))).toEqual([]);
  });

  test('what can’t be read says why, and holds up nothing', async () => {
    writeFileSync(join(watched, 'broken.imscc'), 'no zip at all');
    await until(() => packages().some(({ state }) => state === 'refused'));
    expect(packages().find(({ state }) => state === 'refused')?.trouble).toMatch(/broken/);
  });

  test('a folder that is none, or where Currycomb keeps its own, is refused', () => {
    const set = (path: string) => setWatchedFolder(folder.context, { path });
    expect(set('packages')).toMatchObject({ trouble: { message: expect.stringMatching(/whole path/) } });
    expect(set('/nowhere/at/all')).toMatchObject({
      trouble: { message: expect.stringMatching(/no folder/) },
    });
    expect(set(folder.dataDir)).toMatchObject({ ok: false });
    expect(set('/')).toMatchObject({ trouble: { message: expect.stringMatching(/everything/) } });
    expect(set('')).toMatchObject({ ok: true, value: { path: null } });
  });
});
