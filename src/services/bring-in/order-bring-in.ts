import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { parseLocalDate, type LocalDate } from '@/core/time/local-date';
import { isTimeZone } from '@/core/time/zones';
import { blobsOf } from '@/store/shell-state-blob';
import type { Sha256 } from '@/core/shell/refs';
import { incomings, runs as runsTable, shells, versions } from '@/store/schema';
import type { Context } from '../context';
import { columnMeaningsSchema, rememberColumns } from './sheet-columns';
import { houseTerms } from '../house-rules/house-rules';
import { keepVersion } from '../shells/keep-version';
import type { InputFile, ShellInputs } from './shell-inputs';

export const upload = z.strictObject({
  id: z.string().regex(/^[0-9a-f-]{36}$/),
  name: z.string().min(1).max(200),
});
const day = z.union([z.literal(''), z.string()]).transform((text, context) => {
  if (text.trim() === '') return undefined;
  const date = parseLocalDate(text);
  if (!date) context.addIssue({ code: 'custom', message: `“${text}” is no day; write it as 2027-01-11` });
  return date as LocalDate;
});
const line = z.string().trim().max(200);

/** What the bring-in form sends. */
export const bringInSchema = z.strictObject({
  package: upload,
  events: upload.optional(),
  previousEvents: upload.optional(),
  status: upload.optional(),
  roster: upload.optional(),
  baseline: upload.optional(),
  statusColumns: columnMeaningsSchema,
  baselineIs: z.enum(['supplied', 'template']).default('supplied'),
  code: line.default(''),
  title: line.default(''),
  role: line.default(''),
  termTitle: line.default(''),
  termStart: day.optional(),
  termEnd: day.optional(),
  previousTermStart: day.optional(),
  previousTermEnd: day.optional(),
  asOf: day.optional(),
  timeZone: line
    .refine((z) => z === '' || isTimeZone(z), {
      message: 'The time zone is not known; give an IANA name such as Europe/Dublin.',
    })
    .default(''),
});
export type BringInForm = z.output<typeof bringInSchema>;

export const uploadsDir = (context: Context): string => {
  const dir = join(context.dataDir, 'uploads');
  mkdirSync(dir, { recursive: true });
  return dir;
};

type Upload = z.output<typeof upload>;

export const uploadedFile = (context: Context, u: Upload | undefined): InputFile | undefined =>
  u ? { path: join(uploadsDir(context), u.id), name: u.name } : undefined;

/** Orders a package to be read into a new shell. The uploads are gone afterwards, whatever comes of it. */
export function orderBringIn(
  context: Context,
  form: BringInForm,
  today: LocalDate,
): Result<{ jobId: string }> {
  const file = (u: Upload | undefined) => uploadedFile(context, u);
  const files = [form.package, form.events, form.previousEvents, form.status, form.roster, form.baseline]
    .map(file)
    .filter((f) => f !== undefined);
  for (const f of files)
    if (!existsSync(f.path)) return bad('upload-gone', `“${f.name}” did not arrive whole; choose it again.`);
  const text = (t: string) => (t === '' ? undefined : t);
  const inputs: ShellInputs = {
    package: file(form.package)!,
    events: file(form.events),
    previousEvents: file(form.previousEvents),
    status: file(form.status),
    statusColumns: form.statusColumns,
    roster: file(form.roster),
    baseline: file(form.baseline),
    baselineIs: form.baselineIs,
    code: text(form.code),
    title: text(form.title),
    termTitle: text(form.termTitle),
    termStart: form.termStart,
    termEnd: form.termEnd,
    previousTermStart: form.previousTermStart,
    previousTermEnd: form.previousTermEnd,
    timeZone: text(form.timeZone),
    asOf: form.asOf,
    houseTerms: houseTerms(context),
    today,
  };
  rememberColumns(context, form.statusColumns);
  const shellId = randomUUID();
  const jobId = context.jobs.order(
    'bring-in',
    null,
    { inputs, dispose: files.map((f) => f.path) },
    (state) => {
      const now = new Date().toISOString();
      context.db.transaction((tx) => {
        tx.insert(shells)
          .values({
            id: shellId,
            code: state.code,
            title: state.title,
            termTitle: state.term.title,
            termStart: state.term.start,
            termEnd: state.term.end,
            asOf: state.asOf,
            role: form.role || 'course lead',
            versionId: '',
            packageHash: state.packageHash,
            createdAt: now,
          })
          .run();
        keepVersion(tx, shellId, state, state.intake, now);
      });
      return { shellId };
    },
    (state) => {
      for (const f of files) rmSync(f.path, { force: true });
      if (state !== 'done') sweep(context);
    },
  );
  return good({ jobId });
}

/** Throws away blobs that no version needs: what a reading that failed or was cancelled had begun to keep. */
export function sweep(context: Context): void {
  if (!context.jobs.idle) return;
  const named = new Set<string>();
  for (const version of context.db.select().from(versions).all())
    for (const hash of blobsOf(context.blobs, version.stateBlob as Sha256)) named.add(hash);
  for (const one of context.db.select().from(incomings).all())
    for (const hash of [one.previewBlob, ...blobsOf(context.blobs, one.stateBlob as Sha256)]) named.add(hash);
  for (const run of context.db.select({ blob: runsTable.editsBlob }).from(runsTable).all())
    named.add(run.blob);
  context.blobs.sweep(named);
}

/** Uploads that nobody came back for within a day. */
export function clearOldUploads(context: Context, now: number): void {
  const dir = uploadsDir(context);
  for (const name of readdirSync(dir))
    if (now - statSync(join(dir, name)).mtimeMs > 86_400_000) rmSync(join(dir, name), { force: true });
}
