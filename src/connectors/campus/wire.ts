import { z } from 'zod';
import { contentKinds, itemKinds } from '@/core/shell/model';

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
const number = z.number().nullable();
const sha256 = z.string().regex(/^[0-9a-f]{64}$/);
const strings = z.array(text);
const columns = z.record(text, text);

const line = z.strictObject({
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

const content = z.strictObject({
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

const file = z.strictObject({
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
const part = z.strictObject({ path: text, bytes: z.number(), sha256, text: nullable });

const event = z.strictObject({
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

/** What a record of each collection says beside its id. */
export const fieldSchemas = {
  outline: line,
  contents: content,
  files: file,
  parts: part,
  events: event,
  'grade-categories': z.strictObject({ title: text, weight: number, extra: columns }),
  'grade-columns': z.strictObject({
    title: text,
    category: nullable,
    points: number,
    results: number,
    extra: columns,
  }),
  banks: z.strictObject({ ref: text, title: text, content: nullable }),
  groups: z.strictObject({ title: text }),
  'home-pages': z.strictObject({ ref: text, title: text, inUse: z.boolean().nullable() }),
} as const satisfies Record<CollectionName, z.ZodObject>;

const term = z.strictObject({ title: text, start: nullable, end: nullable });

/** What a shell says of itself as a whole. */
export const descriptionSchema = z.strictObject({
  code: text,
  title: text,
  timeZone: text,
  term,
  previousTerm: term.nullable(),
  noClassDays: strings,
  /** The host's own day, by which checks and dates go. */
  today: text,
  calendar: z.strictObject({ head: text, others: strings }).nullable(),
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
