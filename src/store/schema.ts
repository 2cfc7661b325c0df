import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** A shell that somebody brought in. What it holds is in its current version. */
export const shells = sqliteTable('shells', {
  id: text('id').primaryKey(),
  code: text('code').notNull(),
  title: text('title').notNull(),
  termTitle: text('term_title').notNull(),
  termStart: text('term_start'),
  termEnd: text('term_end'),
  asOf: text('as_of').notNull(),
  role: text('role').notNull(),
  versionId: text('version_id').notNull(),
  /** SHA-256 of the package that it was read from, so that the same one is known again. */
  packageHash: text('package_hash').notNull().default(''),
  createdAt: text('created_at').notNull(),
});

/** One state of a shell; a restore point is a version that a run began from. */
export const versions = sqliteTable(
  'versions',
  {
    id: text('id').primaryKey(),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    /** SHA-256 of the shell as JSON, texts and files aside, in the blob store. */
    stateBlob: text('state_blob').notNull(),
    fingerprint: text('fingerprint').notNull(),
    /** Inventory and the bare outline, as JSON. */
    inventory: text('inventory').notNull(),
    sketch: text('sketch').notNull(),
    intake: text('intake').notNull(),
    createdAt: text('created_at').notNull(),
  },
  (t) => [index('versions_by_shell').on(t.shellId)],
);

export const audits = sqliteTable(
  'audits',
  {
    id: text('id').primaryKey(),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    versionId: text('version_id')
      .notNull()
      .references(() => versions.id, { onDelete: 'cascade' }),
    audit: text('audit').notNull(),
    milliseconds: integer('milliseconds').notNull(),
    /** Fingerprint of the house rules that it was made by. */
    rulesKey: text('rules_key').notNull().default(''),
    combedAt: text('combed_at').notNull(),
  },
  (t) => [index('audits_by_version').on(t.versionId)],
);

/** Findings that somebody left be: kept per course by what the subjects say, so that the next term is not asked again. */
export const leaveBes = sqliteTable(
  'leave_bes',
  {
    course: text('course').notNull(),
    check: text('check').notNull(),
    substance: text('substance').notNull(),
    title: text('title').notNull(),
    decidedAt: text('decided_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.course, t.check, t.substance] })],
);

/** The plan's findings: each accepted finding stands for the steps of its remedy. */
export const accepted = sqliteTable(
  'accepted',
  {
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    findingId: text('finding_id').notNull(),
    acceptedAt: text('accepted_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.shellId, t.findingId] })],
);

/** Steps added by hand, in order. */
export const handSteps = sqliteTable('hand_steps', {
  id: text('id').primaryKey(),
  shellId: text('shell_id')
    .notNull()
    .references(() => shells.id, { onDelete: 'cascade' }),
  position: integer('position').notNull(),
  step: text('step').notNull(),
});

export const runs = sqliteTable('runs', {
  id: text('id').primaryKey(),
  shellId: text('shell_id')
    .notNull()
    .references(() => shells.id, { onDelete: 'cascade' }),
  /** The restore point: the version that the run began from. */
  beforeVersion: text('before_version')
    .notNull()
    .references(() => versions.id),
  afterVersion: text('after_version')
    .notNull()
    .references(() => versions.id),
  /** A plan carried out, or a package added. */
  kind: text('kind', { enum: ['plan', 'add'] })
    .notNull()
    .default('plan'),
  /** The added package: its name and SHA-256. */
  packageName: text('package_name'),
  packageHash: text('package_hash'),
  state: text('state', { enum: ['done', 'undone'] }).notNull(),
  /** Blob of the edits, for the exact inverse. */
  editsBlob: text('edits_blob').notNull(),
  summary: text('summary').notNull(),
  auditBefore: text('audit_before').references(() => audits.id),
  startedAt: text('started_at').notNull(),
  finishedAt: text('finished_at').notNull(),
});

/** A package that was read to be added: one for each shell, until it is added or another takes its place. */
export const incomings = sqliteTable('incomings', {
  id: text('id').primaryKey(),
  shellId: text('shell_id')
    .notNull()
    .unique()
    .references(() => shells.id, { onDelete: 'cascade' }),
  packageName: text('package_name').notNull(),
  packageHash: text('package_hash').notNull(),
  title: text('title').notNull(),
  /** The version that it was held against. */
  versionId: text('version_id').notNull(),
  stateBlob: text('state_blob').notNull(),
  /** Blob of the preview as JSON. */
  previewBlob: text('preview_blob').notNull(),
  intake: text('intake').notNull(),
  createdAt: text('created_at').notNull(),
});

export const ledger = sqliteTable(
  'ledger',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    runId: text('run_id')
      .notNull()
      .references(() => runs.id, { onDelete: 'cascade' }),
    direction: text('direction', { enum: ['do', 'undo'] }).notNull(),
    action: text('action').notNull(),
    targets: text('targets').notNull(),
    titles: text('titles').notNull(),
    outcome: text('outcome').notNull(),
    reason: text('reason'),
    at: text('at').notNull(),
  },
  (t) => [index('ledger_by_run').on(t.runId)],
);

/** The house rules in use: one set, as JSON of what was set by hand. */
export const houseRules = sqliteTable('house_rules', {
  id: text('id').primaryKey(),
  rules: text('rules').notNull(),
  changedAt: text('changed_at').notNull(),
});

/** What a column of a status sheet means, under the name that a campus system gives it; empty where it is left alone. */
export const sheetColumns = sqliteTable('sheet_columns', {
  name: text('name').primaryKey(),
  means: text('means').notNull(),
});

export const jobs = sqliteTable('jobs', {
  id: text('id').primaryKey(),
  kind: text('kind').notNull(),
  shellId: text('shell_id'),
  state: text('state', { enum: ['waiting', 'running', 'done', 'failed', 'cancelled'] }).notNull(),
  done: integer('done').notNull(),
  total: integer('total').notNull(),
  doing: text('doing').notNull(),
  result: text('result'),
  trouble: text('trouble'),
  createdAt: text('created_at').notNull(),
  finishedAt: text('finished_at'),
});
