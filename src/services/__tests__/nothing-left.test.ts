import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { LocalDate } from '@/core/dates/local-date';
import { incomings, shells, versions } from '@/store/schema';
import { incomingSchema, orderIncoming } from '@/services/do/add/order-incoming';
import { bringInSchema, orderBringIn } from '@/services/do/bring-in/order-bring-in';
import { uploadsDir } from '@/services/do/bring-in/uploads';
import type { Context } from '@/services/keep/desks/context';
import { openContext } from '@/services/wire/folder/open-context';
import { findShell } from '@/services/keep/shells/current-shell';
import { good, hostile } from './hostile-list';
import { rawZip } from './raw-zip';

const today = '2027-01-04' as LocalDate;
const workers = join(process.cwd(), 'dist/workers');
let folder: string;
let context: Context;
beforeAll(() => {
  if (!existsSync(join(workers, 'job.mjs')))
    throw new Error('Build the workers first: npm run build:workers');
  folder = mkdtempSync(join(tmpdir(), 'currycomb-left-'));
  context = openContext({
    dataDir: folder,
    migrationsDir: join(process.cwd(), 'src/store/migrations'),
    workers,
  });
});
afterAll(async () => {
  await context.close();
  rmSync(folder, { recursive: true, force: true });
});

const upload = (name: string, data: string | Buffer) => {
  const id = randomUUID();
  writeFileSync(join(uploadsDir(context), id), data);
  return { id, name };
};
const idle = async () => {
  while (!context.jobs.idle) await new Promise((r) => setTimeout(r, 5));
};
/** What there is of everything: rows, uploads, blobs. */
const inventory = () => ({
  shells: context.db.select().from(shells).all().length,
  versions: context.db.select().from(versions).all().length,
  incomings: context.db.select().from(incomings).all().length,
  uploads: readdirSync(uploadsDir(context)),
  blobs: context.blobs.list(),
  unfinished: readdirSync(join(folder, 'blobs', 'new')),
});
const form = (zip: Buffer, more: { events?: string | Buffer; status?: string | Buffer } = {}) => ({
  package: upload('p.imscc', zip),
  ...(more.events === undefined ? {} : { events: upload('e.ics', more.events) }),
  ...(more.status === undefined ? {} : { status: upload('s.csv', more.status) }),
});
async function bringIn(zip: Buffer, more = {}) {
  const ordered = orderBringIn(context, bringInSchema.parse(form(zip, more)), today);
  if (!ordered.ok) throw new Error(ordered.trouble.message);
  await idle();
  return context.jobs.view(ordered.value.jobId)!;
}

test('every refused input leaves no row, no upload and no blob, whether it comes as a shell or is to be added to one', async () => {
  const first = await bringIn(rawZip(good));
  const { shellId } = JSON.parse(first.result!) as { shellId: string };
  const before = inventory();
  expect([before.shells, before.uploads]).toEqual([1, []]);
  for (const { what, zip, events, status, outcome } of hostile) {
    if (outcome === 'read') continue;
    const view = await bringIn(zip ? zip() : rawZip(good), { events, status });
    expect([what, view.state, view.trouble]).toEqual([
      what,
      'failed',
      expect.stringMatching(/^[^\n]{10,400}[.!?]$/),
    ]);
    expect([what, inventory()]).toEqual([what, before]);
    const added = orderIncoming(
      context,
      findShell(context, shellId)!,
      incomingSchema.parse(form(zip ? zip() : rawZip(good), { events, status })),
      today,
    );
    if (!added.ok) throw new Error(added.trouble.message);
    await idle();
    expect([what, context.jobs.view(added.value.jobId)!.state]).toEqual([what, 'failed']);
    expect([what, inventory()]).toEqual([what, before]);
  }
});

test('cancelled half way, a reading leaves nothing', async () => {
  const before = inventory();
  const many = rawZip([
    ...good,
    ...Array.from({ length: 6000 }, (_, i) => ({
      path: `many/f${i}.txt`,
      data: Buffer.from(`file ${i} of a package that takes a while to read`),
    })),
  ]);
  const ordered = orderBringIn(context, bringInSchema.parse(form(many)), today);
  if (!ordered.ok) throw new Error(ordered.trouble.message);
  const { jobId } = ordered.value;
  // Progress is told in bytes, and the reading is under way when it is ended.
  for (;;) {
    const view = context.jobs.view(jobId)!;
    if (view.state === 'done') throw new Error('it was read before it could be cancelled');
    if (view.state === 'running' && view.done > 0) break;
    await new Promise((r) => setTimeout(r, 1));
  }
  expect(context.jobs.view(jobId)!.total).toBeGreaterThan(6000 * 40);
  expect(context.jobs.cancel(jobId)).toBe(true);
  await idle();
  expect(context.jobs.view(jobId)).toMatchObject({
    state: 'cancelled',
    trouble: 'Cancelled; nothing was changed.',
  });
  await new Promise((r) => setTimeout(r, 300));
  expect(inventory()).toEqual(before);
});
