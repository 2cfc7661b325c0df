import { z } from 'zod';
import {
  bankShape,
  calendarFrameShape,
  contentShape,
  entryShape,
  eventShape,
  fileShape,
  gradeCategoryShape,
  gradeColumnShape,
  groupShape,
  homePageShape,
  itemShape,
  termShape,
} from '@/core/shell/shape';

/**
 * What is said between Currycomb and a campus host, as docs/campus-host.openapi.json publishes it. A host keeps a shell
 * as collections of records; every record has an id that the host gave it and never gives again, and a tag that changes
 * whenever the record does.
 */
export const collectionNames = [
  'outline',
  'contents',
  'files',
  'parts',
  'events',
  'grade-categories',
  'grade-columns',
  'banks',
  'groups',
  'home-pages',
] as const;
export type CollectionName = (typeof collectionNames)[number];

const text = z.string();
const nullable = text.nullable();
const strings = z.array(text);

/** What a record of each collection says beside its id. */
export const fieldSchemas = {
  outline: itemShape,
  contents: contentShape,
  files: fileShape,
  parts: entryShape,
  events: eventShape,
  'grade-categories': gradeCategoryShape,
  'grade-columns': gradeColumnShape,
  banks: bankShape,
  groups: groupShape,
  'home-pages': homePageShape,
} as const satisfies Record<CollectionName, z.ZodObject>;

/** What a shell says of itself as a whole. */
export const descriptionSchema = z.strictObject({
  code: text,
  title: text,
  timeZone: text,
  term: termShape,
  previousTerm: termShape.nullable(),
  noClassDays: strings,
  /** The host's own day, by which checks and dates go. */
  today: text,
  calendar: calendarFrameShape.nullable(),
});

export const recordSchema = z.strictObject({
  id: text,
  tag: text,
  fields: z.record(text, z.unknown()),
});
export type WireRecord = z.output<typeof recordSchema>;

export const pageSchema = z.strictObject({
  page: z.int(),
  pages: z.int(),
  total: z.int(),
  /** Changes whenever anything in the collection does: what has the same revision is the same on every page. */
  revision: text,
  records: z.array(recordSchema),
});

export const shellCardSchema = z.strictObject({
  id: text,
  code: text,
  title: text,
  term: text,
  /** What the signed-in person is there. */
  role: text,
  lines: z.int(),
});
export const shellPageSchema = z.strictObject({
  page: z.int(),
  pages: z.int(),
  total: z.int(),
  shells: z.array(shellCardSchema),
});
export type ShellCard = z.output<typeof shellCardSchema>;

export const shellSchema = z.strictObject({
  id: text,
  tag: text,
  description: descriptionSchema,
  /** People by role. */
  people: z.record(text, z.int()),
  /** What the host changes for nobody: these are left to be done by hand. */
  readOnly: z.array(z.enum(collectionNames)),
});
export type WireShell = z.output<typeof shellSchema>;

export const signInSchema = z.strictObject({ name: text, secret: text });
export const sessionSchema = z.strictObject({
  token: text,
  expiresInSeconds: z.number(),
  account: z.strictObject({ id: text, name: text }),
});

const inCollection = z.enum(collectionNames);
const fields = z.record(text, z.unknown());

/** A change to one thing. `tag` is that of the state which the caller saw. */
export const changeSchema = z.discriminatedUnion('do', [
  z.strictObject({
    do: z.literal('make'),
    in: inCollection,
    /** The caller’s name for it: in its fields, and in later changes of the request, it stands for the id to come. */
    as: text,
    /** The record that stands before it; null for the head of the list. */
    after: nullable,
    fields,
  }),
  z.strictObject({ do: z.literal('change'), in: inCollection, id: text, tag: text, fields }),
  z.strictObject({
    do: z.literal('remove'),
    in: inCollection,
    id: text,
    tag: text,
    /** How many pieces of student work the caller knows to go with it; the host refuses where there are more. */
    work: z.int().min(0),
  }),
  /** Records take each other’s places in the list. */
  z.strictObject({ do: z.literal('order'), in: inCollection, was: strings, ids: strings }),
  z.strictObject({ do: z.literal('describe'), tag: text, fields }),
]);
export type WireChange = z.output<typeof changeSchema>;

/** Most changes in one request. */
export const mostChanges = 100;
export const changesSchema = z.strictObject({ changes: z.array(changeSchema).min(1).max(mostChanges) });

export const outcomeSchema = z.discriminatedUnion('is', [
  /** `id` and `tag` of the record as it is now; empty where it was removed or a list was put in order. */
  z.strictObject({ is: z.literal('done'), id: text, tag: text }),
  z.strictObject({
    is: z.literal('refused'),
    code: z.enum(['changed', 'gone', 'held', 'read-only', 'invalid']),
    message: text,
  }),
]);
export type WireOutcome = z.output<typeof outcomeSchema>;

export const jobSchema = z.strictObject({
  id: text,
  state: z.enum(['running', 'interrupted', 'done']),
  done: z.int(),
  total: z.int(),
  outcomes: z.array(outcomeSchema),
});
export type WireJob = z.output<typeof jobSchema>;

/** Why a request was not taken, as RFC 9457 says it. */
export const problemSchema = z.object({ title: text, status: z.int(), detail: text.optional() });
