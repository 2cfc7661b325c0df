import { eq } from 'drizzle-orm';
import { versions } from '@/store/schema';
import { bringInView } from '@/services/show/bring-in/bring-in-view';
import { auditOf } from '@/services/show/reports/shell-reports';
import { examine } from '@/services/do/storage/doctor/examine';
import { intakeOf } from '@/services/keep/shells/current-shell';
import { intakeGroups, wholeIntake } from '@/services/keep/shells/kept-intake';
import { cluttered } from './cluttered';
import { DataFolder } from './data-folder';

const unknown = Array.from({ length: 1_000 }, (_, n) => `nobody-${n},yes\n`);
const sheet = `ref,shown\n${unknown.join('')}`;
let data: DataFolder;
let id = '';
beforeAll(async () => {
  data = new DataFolder();
  id = await data.bringIn(cluttered, 'INT 1', sheet);
  await data.comb(id);
});
afterAll(() => data.close());

const unknownRefs = (groups: ReturnType<typeof intakeGroups>) =>
  groups.find(({ first }) => first.message.includes('nobody-0'));

test('a long intake report is listed in part with its whole count, and stands whole in the report', () => {
  const group = unknownRefs(bringInView(data.context, data.now(id)).intake);
  expect(group).toMatchObject({ count: 1_000 });
  expect(group?.listed.map(({ message }) => message)).toHaveLength(200);
  expect(group?.listed[199]?.message).toContain('nobody-199');
  const rows = auditOf(data.context, data.now(id), false)?.tables.find(
    (table) => table.id === 'intake',
  )?.rows;
  const written = rows?.map(([message]) => String(message)).filter((message) => message.includes('nobody-'));
  expect(written).toHaveLength(1_000);
  expect(written?.at(-1)).toContain('nobody-999');
});

test('its row stays small, what is long belongs to its shell, and the look over the folder misses it where it is gone', () => {
  const kept = intakeOf(data.context, data.now(id).version);
  expect(kept.intake.length).toBeLessThan(sheet.length * 4);
  expect(wholeIntake(data.context.blobs, kept).length).toBeGreaterThanOrEqual(1_000);
  expect(examine(data.dataDir, true).diagnoses).toEqual([]);
  const bytes = kept.notesBlob && data.context.blobs.letGo(kept.notesBlob);
  expect(examine(data.dataDir, true).diagnoses.map(({ sentence }) => sentence)).toEqual([
    '1 file of packages is missing; they belong to INT 1; bring the package in again, or put the folder back from a backup.',
  ]);
  data.context.blobs.put(bytes ?? '');
  data.context.blobs.flush();
  expect(examine(data.dataDir, true).diagnoses).toEqual([]);
});

test('a report that an earlier Currycomb kept is listed and written the same', () => {
  const { version } = data.now(id);
  const now = intakeOf(data.context, version);
  const notes = wholeIntake(data.context.blobs, now);
  const { db } = data.context;
  db.update(versions)
    .set({ intake: JSON.stringify(notes), notesBlob: null })
    .where(eq(versions.id, version.id))
    .run();
  expect(intakeGroups(intakeOf(data.context, version).intake)).toEqual(intakeGroups(now.intake));
  expect(wholeIntake(data.context.blobs, intakeOf(data.context, version))).toEqual(notes);
});
