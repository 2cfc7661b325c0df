import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { hosts } from './hosts';

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
  /** How many changes the plan makes, and what names it for its version: kept up to date by every decision. */
  planSize: integer('plan_size').notNull().default(0),
  planKey: text('plan_key').notNull().default(''),
  /** The campus host that it stands on, and its id there; null for one that was brought in as a package. */
  hostId: text('host_id').references(() => hosts.id),
  hostShell: text('host_shell'),
  /** It belongs to the demo, and can be taken away with the rest of it. */
  isDemo: integer('is_demo', { mode: 'boolean' }).notNull().default(false),
  /** The set of house rules that it is combed by; null for the house’s own. */
  rulesId: text('rules_id'),
  /** When it was laid by: it stays as it is, and out of the list. Null for one that is worked on. */
  laidByAt: text('laid_by_at'),
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
    /** The version that it was made from; null for the first one. */
    parentId: text('parent_id'),
    kind: text('kind', { enum: ['read', 'run', 'add', 'undo'] })
      .notNull()
      .default('read'),
    label: text('label').notNull().default(''),
    /** SHA-256 of the shell's state in the blob store, which names its parts. */
    stateBlob: text('state_blob').notNull(),
    fingerprint: text('fingerprint').notNull(),
    /** Inventory and the bare outline, as JSON. */
    inventory: text('inventory').notNull(),
    sketch: text('sketch').notNull(),
    /** What is listed of its intake report, as JSON; the blob of all notes where those are more. */
    intake: text('intake').notNull(),
    notesBlob: text('notes_blob'),
    createdAt: text('created_at').notNull(),
  },
  (t) => [index('versions_by_shell').on(t.shellId)],
);
