import { eq } from 'drizzle-orm';
import { UnreadableStore } from '@/core/shell/unreadable-store';
import { versions } from '@/store/schema';
import { decide } from '@/services/do/decide/decisions';
import { orderRehearsal } from '@/services/do/rehearse/order-rehearsal';
import { bytesOf } from '@/services/keep/desks/stage-answer';
import { stages, type Stage } from '@/services/keep/desks/stage-order';
import { stageViews } from '@/services/wire/stages/stage-views';
import { StorageFault } from '@/services/keep/storage/storage-fault';
import { cluttered } from './cluttered';
import { DataFolder, must } from './data-folder';

// What the thread of stages draws, against the same views worked out here.
let folder: DataFolder;
let id = '';
beforeAll(async () => {
  folder = new DataFolder();
  id = await folder.bringIn(cluttered);
});
afterAll(() => folder.close());

const draw = async (stage: Stage, query = ''): Promise<unknown> => {
  const bytes = bytesOf(await folder.context.stages.draw({ shellId: id, stage, query }));
  return bytes && JSON.parse(new TextDecoder().decode(bytes));
};
const drawHere = (stage: Stage, query = ''): unknown =>
  JSON.parse(JSON.stringify(stageViews[stage](folder.context, folder.now(id), new URLSearchParams(query))));

test('evidence, a look at a thing and a report are drawn there, too; what is not there is no trouble', async () => {
  await folder.comb(id);
  const [finding] = folder.findings(id);
  const subject = finding?.subjects.find(({ type }) => type === 'item');
  const queries: readonly (readonly [Stage, string])[] = [
    ['evidence', `finding=${finding?.id}`],
    ['look', `type=item&ref=${subject?.ref}`],
    ['report', 'of=audit&as=html'],
    ['report', 'of=sign-off&as=csv'],
  ];
  for (const [stage, query] of queries) {
    expect(drawHere(stage, query)).not.toBeNull();
    expect(await draw(stage, query)).toEqual(drawHere(stage, query));
  }
  for (const query of ['finding=nobody', 'type=planet', 'of=nothing', 'of=run&run=nobody'])
    for (const stage of ['evidence', 'look', 'report'] as const)
      expect([query, await draw(stage, query)]).toEqual([query, drawHere(stage, query)]);
  expect(await draw('evidence', 'finding=nobody')).toBeNull();
});

test.each(stages)('%s of a shell that was not combed yet', async (stage) => {
  expect(await draw(stage)).toEqual(drawHere(stage));
});

test('what was written meanwhile is seen: findings, then decisions, then a rehearsal', async () => {
  await folder.comb(id);
  expect((drawHere('comb') as { findings: object[] }).findings.length).toBeGreaterThan(3);
  for (const stage of stages) expect(await draw(stage)).toEqual(drawHere(stage));
  const [empty] = folder.findings(id).filter(({ check }) => check === 'orphan.empty-module');
  if (!empty) throw new Error('the cluttered shell has no empty module');
  must(decide(folder.context, folder.now(id), { decision: 'accept', findings: [empty.id] }));
  expect(await draw('decide')).toMatchObject({ planned: [{ finding: empty.id, action: 'delete' }] });
  const outline = (await draw('outline')) as { items: { ref: string }[] };
  expect(outline.items.map(({ ref }) => ref)).not.toContain(empty.subjects[0]?.ref);
  expect(outline).toEqual(drawHere('outline'));
  expect(await draw('rehearse')).toMatchObject({ sealed: null });
  await folder.job(orderRehearsal(folder.context, folder.now(id)));
  expect(await draw('rehearse')).toMatchObject({ sealed: { smoothnessAfter: {} } });
});

test('a list is asked for by the query of its address', async () => {
  const modules = (await draw('contents', '?kind=module')) as { heading: string; lines: { kind: string }[] };
  expect(modules.heading).toBe('Items of the kind “module”');
  expect(new Set(modules.lines.map(({ kind }) => kind))).toEqual(new Set(['module']));
  expect(modules).toEqual(drawHere('contents', '?kind=module'));
});

test('a shell that is not here, damage and a database that is gone are told as they would be here', async () => {
  const { db, stages: desk } = folder.context;
  expect(bytesOf(await desk.draw({ shellId: 'nothing', stage: 'comb', query: '' }))).toBeNull();
  const { version } = folder.now(id);
  const row = db.select().from(versions).where(eq(versions.id, version.id)).get();
  const sketch = (text: string) =>
    db.update(versions).set({ sketch: text }).where(eq(versions.id, version.id)).run();
  sketch('{"groups":');
  await expect(draw('comb')).rejects.toThrow(UnreadableStore);
  await expect(draw('comb')).rejects.toThrow(/^The sketch of this shell is missing .* or is damaged/);
  expect(await draw('values')).toEqual(drawHere('values'));
  sketch(row?.sketch ?? '');
  expect(await draw('comb')).toEqual(drawHere('comb'));
  db.$client.exec('ALTER TABLE findings RENAME TO elsewhere');
  await expect(draw('comb')).rejects.not.toThrow(StorageFault);
  db.$client.exec('ALTER TABLE elsewhere RENAME TO findings');
  expect(await draw('comb')).toEqual(drawHere('comb'));
});

test('a thread that can’t be started says so, and nothing waits for ever', async () => {
  const lame = new DataFolder();
  await lame.context.close();
  lame.context = lame.open({ workers: lame.folder });
  lame.context.stages.makeReady();
  await expect(lame.context.stages.draw({ shellId: 'x', stage: 'comb', query: '' })).rejects.toThrow();
  await lame.close();
});
