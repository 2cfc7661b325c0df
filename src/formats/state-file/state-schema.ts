import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { itemKinds } from '@/core/shell/model';

const text = z.string();
const day = z.string().regex(/^\d{4}-\d{2}-\d{2}$/);
const moment = z.string().regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}:\d{2}$/);
const term = z.strictObject({ title: text, start: day.nullable(), end: day.nullable() });

const itemState = z.strictObject({
  kind: z.enum(itemKinds).optional(),
  shown: z.boolean().optional(),
  opens: moment.optional(),
  closes: moment.optional(),
  due: moment.optional(),
  requires: z.array(text).optional(),
  points: z.number().optional(),
  gradeCategory: text.optional(),
  gradeColumn: text.optional(),
  created: moment.optional(),
  modified: moment.optional(),
  batch: text.optional(),
  studentWork: z.int().min(0).optional(),
  groups: z.array(text).optional(),
  /** The ref that it goes by, where that is no identifier of a manifest: what was placed keeps the one it had outside. */
  ref: text.optional(),
  /** The title of what stands outside the outline, where its own file does not give it. */
  title: text.optional(),
});
const fileState = z.strictObject({
  readableBy: z.enum(['all', 'staff']).optional(),
  created: moment.optional(),
  modified: moment.optional(),
  batch: text.optional(),
});

/** `currycomb/shell-state.json`: what the package standards cannot say about a shell. docs/schemas has it as JSON Schema. */
export const stateSchema = z.strictObject({
  schema: z.literal('currycomb.shell-state/1'),
  code: text,
  title: text,
  timeZone: text,
  term: term,
  previousTerm: term.nullable(),
  schoolYear: term.nullable().default(null),
  noClassDays: z.array(day),
  items: refRecord(itemState),
  files: refRecord(fileState),
  homePages: z.array(z.strictObject({ ref: text, title: text, inUse: z.boolean().nullable() })),
  banks: z.array(z.strictObject({ ref: text, title: text })),
  groups: z.array(z.strictObject({ ref: text, title: text })),
  enrolments: refRecord(z.int().min(0)),
  /** Number of results per grade column; the columns themselves stand in the OneRoster files. */
  results: refRecord(z.int().min(0)).default({}),
});
export type ShellState = z.output<typeof stateSchema>;
