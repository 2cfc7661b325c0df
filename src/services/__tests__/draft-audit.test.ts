import { eq } from 'drizzle-orm';
import { audits, findings, studentsEyes } from '@/store/schema';
import { combJob } from '@/services/do/comb/comb-job';
import { writePart } from '@/services/do/comb/draft-audit';
import { listShells } from '@/services/show/shells/shell-list';
import { DataFolder } from './data-folder';

let folder: DataFolder;
beforeAll(() => {
  folder = new DataFolder();
});
afterAll(() => folder.close());

const part = (auditId: string, place: number) => ({
  auditId,
  place,
  rows: [
    {
      id: `f${place}`,
      check: 'orphan.empty-module',
      family: 'orphan',
      substance: `s${place}`,
      message: '{"id":"","params":{}}',
      listed: '{}',
      evidence: '[]',
      step: null,
      others: '[]',
      chain: null,
    },
  ],
});
const draftsOf = () => folder.context.db.select().from(audits).where(eq(audits.isDraft, true)).all();

test('a comb whose findings are still being written counts for nothing, and leaves nothing when it is cut off', async () => {
  const id = await folder.bringIn((c) => {
    c.module('Empty', { ref: 'm' });
    c.page('Welcome', '<p>Hello to the stream.</p>', { ref: 'p', path: 'p.html' });
  });
  await folder.comb(id);
  const before = folder.now(id);
  const { db } = folder.context;
  const versionId = before.version.id;
  db.transaction((tx) => writePart(tx, id, versionId, part('draft-1', 0)));
  db.transaction((tx) => writePart(tx, id, versionId, part('draft-1', 1)));
  // The shell stands as it was combed last.
  expect(draftsOf()).toHaveLength(1);
  expect(folder.now(id).audit?.id).toBe(before.audit?.id);
  expect(listShells(folder.context)[0]?.openTotal).toBe(before.audit?.tally.total);

  // Another comb that begins takes the place of the one that was cut off.
  db.transaction((tx) => writePart(tx, id, versionId, part('draft-2', 0)));
  expect(draftsOf().map((draft) => draft.id)).toEqual(['draft-2']);
  expect(db.select().from(findings).where(eq(findings.auditId, 'draft-1')).all()).toEqual([]);

  // One that is cancelled takes it away.
  const { stateBlob } = before.version;
  const input = combJob.input.parse({ versionId, stateBlob, rules: {} });
  db.transaction((tx) => combJob.abandon?.(input, tx, 'Cancelled; nothing was changed.'));
  expect(draftsOf()).toEqual([]);

  // What students get is kept for the last comb alone.
  await folder.comb(id);
  const audit = folder.now(id).audit;
  expect(audit?.id).not.toBe(before.audit?.id);
  expect(
    db
      .select()
      .from(studentsEyes)
      .all()
      .map((row) => row.auditId),
  ).toEqual([audit?.id]);
});

test('a shell that went away meanwhile is not written to', () => {
  const { db } = folder.context;
  expect(() => db.transaction((tx) => writePart(tx, 'nobody', 'nothing', part('draft-3', 0)))).toThrow(
    'The shell was removed while it was combed.',
  );
  expect(draftsOf()).toEqual([]);
});
