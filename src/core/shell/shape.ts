import { z } from 'zod';
import { contentKinds, itemKinds } from './model';

/**
 * The form of a shell's things, field by field: what comes from a host, or was kept by somebody else's Currycomb, is
 * held against it before it is believed. `soundness.ts` says what must hold between them.
 */
const text = z.string();
const nullable = text.nullable();
const number = z.number().nullable();
const sha256 = z.string().regex(/^[0-9a-f]{64}$/);
const strings = z.array(text);
const columns = z.record(text, text);

export const itemShape = z.strictObject({
  kind: z.enum(itemKinds),
  title: text,
  placed: z.boolean(),
  parent: nullable,
  content: nullable,
  shown: z.boolean().nullable(),
  opens: nullable,
  closes: nullable,
  due: nullable,
  requires: strings,
  points: number,
  gradeCategory: nullable,
  gradeColumn: nullable,
  created: nullable,
  modified: nullable,
  batch: nullable,
  studentWork: number,
  groups: strings,
  staffOnly: z.boolean(),
  extraXml: strings,
});

const question = z.strictObject({
  ident: text,
  title: text,
  profile: text,
  points: number,
  stem: z.array(z.number()),
  answers: z.array(z.strictObject({ ident: text, text: z.array(z.number()), right: z.boolean() })),
});

export const contentShape = z.strictObject({
  kind: z.enum(contentKinds),
  type: text,
  href: nullable,
  files: strings,
  dependencies: strings,
  intendedUse: nullable,
  staffOnly: z.boolean(),
  texts: strings,
  textPath: nullable,
  target: nullable,
  title: text,
  points: number,
  answerKey: text,
  questions: z.array(question),
  bankIdent: nullable,
  bankRefs: strings,
  attributes: columns,
  extraXml: strings,
});

export const fileShape = z.strictObject({
  path: text,
  content: text,
  bytes: z.number(),
  sha256,
  mediaType: text,
  readableBy: z.enum(['all', 'staff']).nullable(),
  created: nullable,
  modified: nullable,
  batch: nullable,
  text: nullable,
  packed: z.array(z.strictObject({ name: text, bytes: z.number(), sha256 })).nullable(),
});
export const entryShape = z.strictObject({ path: text, bytes: z.number(), sha256, text: nullable });

export const eventShape = z.strictObject({
  ref: text,
  uid: text,
  recurrenceId: nullable,
  title: text,
  start: text,
  end: text,
  allDay: z.boolean(),
  recurrence: z.strictObject({ rule: nullable, extraDates: strings, excludedDates: strings }).nullable(),
  occurrences: strings,
  location: text,
  links: strings,
  description: text,
  created: nullable,
  stamped: nullable,
  modified: nullable,
  source: text,
});

export const gradeCategoryShape = z.strictObject({ title: text, weight: number, extra: columns });
export const gradeColumnShape = z.strictObject({
  title: text,
  category: nullable,
  points: number,
  results: number,
  extra: columns,
});
export const bankShape = z.strictObject({ ref: text, title: text, content: nullable });
export const groupShape = z.strictObject({ title: text });
export const homePageShape = z.strictObject({ ref: text, title: text, inUse: z.boolean().nullable() });
export const termShape = z.strictObject({ title: text, start: nullable, end: nullable });
export const calendarFrameShape = z.strictObject({ head: text, others: strings });

const ref = z.object({ ref: text });
const baseline = z.object({
  title: text,
  is: z.enum(['supplied', 'template']),
  items: z.array(
    z.object({ ref: text, kind: z.enum(itemKinds), title: text, key: nullable, text: nullable }),
  ),
  files: strings,
});
const frame = z.object({
  format: z.enum(['common-cartridge', 'content-packaging']),
  version: text,
  title: text,
  metadataXml: strings,
  organizationId: text,
  rootItemId: nullable,
  prefixes: columns,
  extraXml: strings,
});

/** A whole shell. */
export const shellShape = z.object({
  ref: text,
  code: text,
  title: text,
  timeZone: text,
  term: termShape,
  previousTerm: termShape.nullable(),
  schoolYear: termShape.nullable(),
  noClassDays: strings,
  asOf: text,
  items: z.array(itemShape.extend(ref.shape)),
  contents: z.array(contentShape.extend({ id: text })),
  files: z.array(fileShape),
  entries: z.array(entryShape),
  events: z.array(eventShape),
  previousEvents: z.array(eventShape).nullable(),
  gradeCategories: z.array(gradeCategoryShape.extend(ref.shape)),
  gradeColumns: z.array(gradeColumnShape.extend(ref.shape)),
  banks: z.array(bankShape),
  groups: z.array(groupShape.extend(ref.shape)),
  homePages: z.array(homePageShape),
  enrolments: z.record(text, z.number()),
  frame,
  calendar: calendarFrameShape.nullable(),
  baseline: baseline.nullable(),
  isLive: z.literal(true).optional(),
});
