import { z } from 'zod';

const cell = z.union([z.string(), z.number()]);
const table = z.strictObject({
  /** Names the table in an address and a workbook. */
  id: z.string(),
  title: z.string(),
  /** A sentence above it; empty where none is needed. */
  says: z.string(),
  columns: z.array(z.string()),
  rows: z.array(z.array(cell)),
});
/** A report as JSON (docs/schemas): what the page, the CSV and the workbook are drawn from. */
export const reportSchema = z.strictObject({
  schema: z.literal('currycomb.report/1'),
  of: z.enum(['audit', 'run', 'sign-off']),
  title: z.string(),
  /** Which shell, which term, looked at from which day: a line each. */
  about: z.array(z.string()),
  /** The figure that the report comes down to, as a sentence. */
  figure: z.string(),
  tables: z.array(table),
  /** Lines to be signed on paper; none in most reports. */
  signatures: z.array(z.string()),
});

/** One view model for every form of a report: text and numbers alone, so that each form escapes in one place. */
export type Report = z.output<typeof reportSchema>;
export type ReportTable = Report['tables'][number];
export type ReportCell = z.output<typeof cell>;
export const reportKinds = reportSchema.shape.of.options;
export type ReportKind = Report['of'];

/** A table, left out where it has no rows. */
export const tableOf = (
  id: string,
  title: string,
  columns: readonly string[],
  rows: readonly (readonly ReportCell[])[],
  says = '',
): ReportTable[] =>
  rows.length === 0 ? [] : [{ id, title, says, columns: [...columns], rows: rows.map((row) => [...row]) }];
