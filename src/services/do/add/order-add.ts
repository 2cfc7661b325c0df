import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import type { AddPreview } from '@/core/add/incoming';
import { bad, good, type Result } from '@/core/shell/result';
import { spellDate, type LocalDate } from '@/core/dates/local-date';
import { incomings, runs } from '@/store/schema';
import type { Context } from '@/services/keep/desks/context';
import { rulesFor } from '@/services/keep/rules/house-rules';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash } from '@/services/keep/shells/kept-state';
import { addOrder } from './add-order';
import { earlierAdding } from './preview-view';

/** What the screen sends: the source that waits, and what is asked for. */
export const addSchema = addOrder.extend({ incoming: z.string() });
export type AddForm = z.output<typeof addSchema>;

/** Adds what was chosen of the waiting package: a run like any other, with restore point, ledger and undo. */
export function orderAdd(
  context: Context,
  shell: CurrentShell,
  form: AddForm,
  today: LocalDate,
): Result<{ jobId: string }> {
  const incoming = context.db.select().from(incomings).where(eq(incomings.shellId, shell.row.id)).get();
  if (!incoming || incoming.id !== form.incoming)
    return bad('nothing-incoming', 'The source is gone. Choose it again.');
  if (incoming.versionId !== shell.version.id)
    return bad('shell-changed', 'The shell has changed since the two were compared. Compare them again.');
  const bytes = context.blobs.read(blobHash.parse(incoming.previewBlob));
  if (!bytes)
    return bad('preview-gone', 'The comparison is missing from the data folder. Compare the two again.');
  if (form.chosen.length + form.replace.length === 0) return bad('nothing-chosen', 'Tick something first.');
  const preview = JSON.parse(bytes.toString('utf8')) as AddPreview;
  const underWay = context.jobs.underWay(shell.row.id, 'add');
  if (underWay) return good({ jobId: underWay.id });
  const chosen = new Set(form.chosen);
  const earlier = earlierAdding(context, shell, incoming.packageHash);
  const isNew = preview.things.some(({ key, standing }) => chosen.has(key) && standing === 'new');
  if (earlier && !isNew && form.replace.length === 0)
    return bad(
      'added-already',
      earlier.runId === null
        ? 'The shell was read from this very package, and nothing that is ticked is new; nothing was added.'
        : 'This package was added already, and nothing that is ticked is new; nothing was added.',
    );
  const runId = randomUUID();
  const { incoming: _, ...order } = form;
  const input = {
    runId,
    versionId: shell.version.id,
    stateBlob: blobHash.parse(shell.version.stateBlob),
    incomingId: incoming.id,
    incomingBlob: blobHash.parse(incoming.stateBlob),
    packageName: incoming.packageName,
    order,
    batch: `added on ${spellDate(today)} from ${incoming.packageName}`,
    rules: rulesFor(context, shell.row).written,
  };
  const jobId = context.jobs.order('add', shell.row.id, input, (tx) => {
    tx.insert(runs)
      .values({
        id: runId,
        shellId: shell.row.id,
        beforeVersion: shell.version.id,
        kind: 'add',
        packageName: incoming.packageName,
        packageHash: incoming.packageHash,
        state: 'planned',
        auditBefore: shell.audit?.id ?? null,
        startedAt: new Date().toISOString(),
      })
      .run();
  });
  return good({ jobId });
}
