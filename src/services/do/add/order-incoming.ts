import { existsSync } from 'node:fs';
import { eq } from 'drizzle-orm';
import { z } from 'zod';
import type { LocalDate } from '@/core/dates/local-date';
import { bad, good, type Result } from '@/core/shell/result';
import { incomings } from '@/store/schema';
import { columnMeaningsSchema, rememberColumns } from '@/services/do/bring-in/sheet-columns';
import { upload, uploadedFile } from '@/services/do/bring-in/uploads';
import type { Context } from '@/services/keep/desks/context';
import { rulesFor } from '@/services/keep/rules/house-rules';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash } from '@/services/keep/shells/kept-state';
import { loadCurrentZone } from './current-zone';

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
  if (shell.row.hostId !== null)
    return bad(
      'on-host',
      'This shell is on a campus host. You can bring things over only into a shell that was brought in as a package.',
    );
  const [pack, events, status, roster] = [form.package, form.events, form.status, form.roster].map(
    (of) => of && uploadedFile(context, of),
  );
  const files = [pack, events, status, roster].filter((file) => file !== undefined);
  for (const file of files)
    if (!existsSync(file.path))
      return bad('upload-gone', `“${file.name}” did not arrive whole; choose it again.`);
  if (!pack) return bad('upload-gone', 'Choose a package first.');
  rememberColumns(context, form.statusColumns);
  const inputs = {
    package: pack,
    events,
    status,
    statusColumns: form.statusColumns,
    roster,
    timeZone: loadCurrentZone(context, shell),
    today,
  };
  const jobId = context.jobs.order('hold-against', shell.row.id, {
    versionId: shell.version.id,
    stateBlob: blobHash.parse(shell.version.stateBlob),
    from: { inputs, dispose: files.map((file) => file.path) },
    rules: rulesFor(context, shell.row).written,
  });
  return good({ jobId });
}

/** Holds the same package against the shell once more, since the shell changed. */
export function orderHoldAgain(context: Context, shell: CurrentShell): Result<{ jobId: string }> {
  const incoming = context.db.select().from(incomings).where(eq(incomings.shellId, shell.row.id)).get();
  if (!incoming) return bad('nothing-incoming', 'There is no package waiting to be added; choose one.');
  const jobId = context.jobs.order('hold-against', shell.row.id, {
    versionId: shell.version.id,
    stateBlob: blobHash.parse(shell.version.stateBlob),
    from: { incomingId: incoming.id, incomingBlob: blobHash.parse(incoming.stateBlob) },
    rules: rulesFor(context, shell.row).written,
  });
  return good({ jobId });
}

export const sameSourceSchema = z.strictObject({
  /** The shell beside which the source waits. */
  as: z.string(),
});

/** Compares a shell with the source that waits beside another one, so that it can go into several. */
export function orderSameSource(
  context: Context,
  shell: CurrentShell,
  { as }: z.output<typeof sameSourceSchema>,
): Result<{ jobId: string }> {
  const { db } = context;
  if (shell.row.hostId !== null)
    return bad(
      'on-host',
      'This shell is on a campus host. You can bring things over only into a shell that was brought in as a package.',
    );
  const waitingOf = (id: string) => db.select().from(incomings).where(eq(incomings.shellId, id)).get();
  const source = waitingOf(as);
  if (!source) return bad('nothing-incoming', 'The source is gone. Choose it again.');
  const here = waitingOf(shell.row.id);
  if (here && here.packageHash !== source.packageHash)
    return bad(
      'other-source',
      `Another source, “${here.packageName}”, is still open in this shell. Bring it over or discard it first.`,
    );
  const jobId = context.jobs.order('hold-against', shell.row.id, {
    versionId: shell.version.id,
    stateBlob: blobHash.parse(shell.version.stateBlob),
    from: {
      shellBlob: blobHash.parse(source.stateBlob),
      name: source.packageName,
      packageHash: source.packageHash,
    },
    rules: rulesFor(context, shell.row).written,
  });
  return good({ jobId });
}

/** Puts a waiting package away without adding anything. */
export function dropIncoming(context: Context, shellId: string): void {
  context.db.delete(incomings).where(eq(incomings.shellId, shellId)).run();
  context.jobs.order('sweep', null, {});
}
