import { existsSync } from 'node:fs';
import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { parseLocalDate, type LocalDate } from '@/core/dates/local-date';
import { isTimeZone } from '@/core/dates/zones';
import type { Context } from '@/services/keep/desks/context';
import { houseTerms, keptRules } from '@/services/keep/rules/house-rules';
import { columnMeaningsSchema, rememberColumns } from './sheet-columns';
import type { ShellInputs } from '@/services/do/packages/shell-inputs';
import { upload, uploadedFile, type Upload } from './uploads';

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
  /** Comb it as soon as it is here. */
  comb: z.boolean().default(false),
  timeZone: line
    .refine((z) => z === '' || isTimeZone(z), {
      message: 'The time zone is not known; give an IANA name such as Europe/Dublin.',
    })
    .default(''),
});
export type BringInForm = z.output<typeof bringInSchema>;

/** Orders a package to be read into a new shell. The uploads are gone afterwards, whatever comes of it. */
export function orderBringIn(
  context: Context,
  form: BringInForm,
  today: LocalDate,
): Result<{ jobId: string }> {
  const file = (u: Upload | undefined) => u && uploadedFile(context, u);
  const packageFile = uploadedFile(context, form.package);
  const files = [
    packageFile,
    ...[form.events, form.previousEvents, form.status, form.roster, form.baseline].map(file),
  ].filter((f) => f !== undefined);
  for (const f of files)
    if (!existsSync(f.path)) return bad('upload-gone', `“${f.name}” did not arrive whole; choose it again.`);
  const text = (t: string) => (t === '' ? undefined : t);
  const inputs: ShellInputs = {
    package: packageFile,
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
  const jobId = context.jobs.order('bring-in', null, {
    inputs,
    role: form.role,
    dispose: files.map((f) => f.path),
    isDemo: false,
    combBy: form.comb ? keptRules(context).written : null,
  });
  return good({ jobId });
}
