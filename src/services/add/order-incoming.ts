import { randomUUID } from 'node:crypto';
import { existsSync, rmSync } from 'node:fs';
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import type { LocalDate } from '@/core/time/local-date';
import type { Sha256 } from '@/core/shell/refs';
import { bad, good, type Result } from '@/core/shell/result';
import { incomings } from '@/store/schema';
import type { Context } from '../context';
import { sweep, upload, uploadedFile } from '../bring-in/order-bring-in';
import { columnMeaningsSchema, rememberColumns } from '../bring-in/sheet-columns';
import { loadCurrentZone } from './current-zone';
import type { CurrentShell } from '../shells/current-shell';

/** What the form for adding sends: a package with its side files. */
export const incomingSchema = z.strictObject({
  package: upload,
  events: upload.optional(),
  status: upload.optional(),
  statusColumns: columnMeaningsSchema,
  roster: upload.optional(),
});

/** Orders a package to be read and held against the shell; it takes the place of one that was held before. */
export function orderIncoming(
  context: Context,
  shell: CurrentShell,
  form: z.output<typeof incomingSchema>,
  today: LocalDate,
): Result<{ jobId: string }> {
  const [pack, events, status, roster] = [form.package, form.events, form.status, form.roster].map((u) =>
    uploadedFile(context, u),
  );
  const files = [pack, events, status, roster].filter((f) => f !== undefined);
  for (const f of files)
    if (!existsSync(f.path)) return bad('upload-gone', `“${f.name}” did not arrive whole; choose it again.`);
  rememberColumns(context, form.statusColumns);
  const inputs = {
    package: pack!,
    events,
    status,
    statusColumns: form.statusColumns,
    roster,
    timeZone: loadCurrentZone(context, shell),
    today,
  };
  const jobId = context.jobs.order(
    'hold-against',
    shell.row.id,
    { stateBlob: shell.version.stateBlob as Sha256, from: { inputs, dispose: files.map((f) => f.path) } },
    (output) => {
      context.db.transaction((tx) => {
        tx.delete(incomings).where(eq(incomings.shellId, shell.row.id)).run();
        tx.insert(incomings)
          .values({
            id: randomUUID(),
            shellId: shell.row.id,
            packageName: form.package.name,
            packageHash: output.packageHash ?? '',
            title: output.title,
            versionId: shell.version.id,
            stateBlob: output.incomingBlob,
            previewBlob: output.previewBlob,
            intake: JSON.stringify(output.intake),
            createdAt: new Date().toISOString(),
          })
          .run();
      });
      return {};
    },
    (state) => {
      for (const f of files) rmSync(f.path, { force: true });
      if (state !== 'done') sweep(context);
    },
  );
  return good({ jobId });
}

/** Holds the same package against the shell once more, since the shell changed. */
export function orderHoldAgain(context: Context, shell: CurrentShell): Result<{ jobId: string }> {
  const incoming = context.db.select().from(incomings).where(eq(incomings.shellId, shell.row.id)).get();
  if (!incoming) return bad('nothing-incoming', 'There is no package waiting to be added; choose one.');
  const jobId = context.jobs.order(
    'hold-against',
    shell.row.id,
    { stateBlob: shell.version.stateBlob as Sha256, from: { incomingBlob: incoming.stateBlob as Sha256 } },
    (output) => {
      context.db
        .update(incomings)
        .set({ versionId: shell.version.id, previewBlob: output.previewBlob })
        .where(eq(incomings.id, incoming.id))
        .run();
      return {};
    },
  );
  return good({ jobId });
}

/** Puts a waiting package away without adding anything. */
export function dropIncoming(context: Context, shellId: string): void {
  context.db.delete(incomings).where(eq(incomings.shellId, shellId)).run();
  sweep(context);
}
