import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { audits } from './audits';
import { shells, versions } from './shells';

/** One carrying out of a plan, or one adding of a package. */
export const runs = sqliteTable(
  'runs',
  {
    id: text('id').primaryKey(),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    /** The restore point: the version that the run began from. */
    beforeVersion: text('before_version')
      .notNull()
      .references(() => versions.id),
    /** Null until it is done. */
    afterVersion: text('after_version').references(() => versions.id),
    /** A plan carried out, a package added, or, on a host, something taken back. */
    kind: text('kind', { enum: ['plan', 'add', 'undo'] })
      .notNull()
      .default('plan'),
    /** Our own store, in one go; or a campus host, batch by batch. */
    place: text('place', { enum: ['store', 'host'] })
      .notNull()
      .default('store'),
    /** What the operator wants of a run that is under way; it is looked at after every batch. */
    wish: text('wish', { enum: ['go', 'pause', 'stop'] })
      .notNull()
      .default('go'),
    /** What goes with the job that carries it out on a host, as JSON. */
    task: text('task'),
    /** On a host: how many changes its script has; null until that is worked out. */
    lines: integer('lines'),
    /** The added package: its name and SHA-256. */
    packageName: text('package_name'),
    packageHash: text('package_hash'),
    state: text('state', { enum: ['planned', 'running', 'paused', 'stopped', 'done', 'undone'] }).notNull(),
    seal: text('seal').notNull().default(''),
    /** Blob of the edits by step, or on a host of the script, for the exact inverse; null until it is done, or begun. */
    editsBlob: text('edits_blob'),
    summary: text('summary'),
    auditBefore: text('audit_before').references(() => audits.id, { onDelete: 'set null' }),
    startedAt: text('started_at').notNull(),
    finishedAt: text('finished_at'),
  },
  (t) => [index('runs_by_shell').on(t.shellId, t.startedAt)],
);

/** One step of a run as it was carried out: the ledger. Written before and after, with the state in one transaction. */
export const operations = sqliteTable(
  'operations',
  {
    runId: text('run_id')
      .notNull()
      .references(() => runs.id, { onDelete: 'cascade' }),
    sequence: integer('sequence').notNull(),
    /** Names the operation to whoever carries it out, so that it is never done twice. */
    key: text('key').notNull(),
    action: text('action').notNull(),
    targets: text('targets').notNull(),
    titles: text('titles').notNull(),
    /** The step with what it expects; null for what was added and for old runs. */
    step: text('step'),
    state: text('state', {
      enum: ['waiting', 'doing', 'done', 'blocked', 'nothing', 'undone', 'failed', 'by-hand', 'ticked'],
    }).notNull(),
    reason: text('reason'),
    tries: integer('tries').notNull().default(0),
    at: text('at').notNull(),
    undoneAt: text('undone_at'),
  },
  (t) => [primaryKey({ columns: [t.runId, t.sequence] }), uniqueIndex('operations_by_key').on(t.key)],
);

/** A part of a host run’s script that is sent in one go. */
export const runBatches = sqliteTable(
  'run_batches',
  {
    runId: text('run_id')
      .notNull()
      .references(() => runs.id, { onDelete: 'cascade' }),
    number: integer('number').notNull(),
    state: text('state', { enum: ['sent', 'done'] }).notNull(),
    /** What became of each line, as JSON; null until that is known. */
    outcomes: text('outcomes'),
    at: text('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.runId, t.number] })],
);

/** What was met on the way of a run: each try again, each sign-in, each job that had to be started again. */
export const runNotes = sqliteTable(
  'run_notes',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    runId: text('run_id')
      .notNull()
      .references(() => runs.id, { onDelete: 'cascade' }),
    kind: text('kind').notNull(),
    message: text('message').notNull(),
    at: text('at').notNull(),
  },
  (t) => [index('run_notes_by_run').on(t.runId)],
);
