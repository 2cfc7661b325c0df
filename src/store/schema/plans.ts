import { index, integer, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { shells } from './shells';

/** The plan: steps in order, each from a finding or by hand. A finding has one at most. */
export const planSteps = sqliteTable(
  'plan_steps',
  {
    id: text('id').primaryKey(),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    place: integer('place').notNull(),
    findingId: text('finding_id'),
    /** The finding's own remedy, another one, or a step that no finding proposed. */
    how: text('how', { enum: ['remedy', 'other', 'hand'] }).notNull(),
    action: text('action').notNull(),
    step: text('step').notNull(),
    addedAt: text('added_at').notNull(),
  },
  (t) => [
    uniqueIndex('plan_steps_by_finding').on(t.shellId, t.findingId),
    index('plan_steps_by_place').on(t.shellId, t.place),
  ],
);

/** What the last rehearsal of a shell came to. It is good for exactly the plan and the version that it names. */
export const rehearsals = sqliteTable('rehearsals', {
  shellId: text('shell_id')
    .primaryKey()
    .references(() => shells.id, { onDelete: 'cascade' }),
  versionId: text('version_id').notNull(),
  planKey: text('plan_key').notNull(),
  /** Digest of the normalised steps and the version, and the steps themselves, which are what is carried out. */
  seal: text('seal').notNull(),
  steps: text('steps').notNull(),
  view: text('view').notNull(),
  rehearsedAt: text('rehearsed_at').notNull(),
});

/** A plan that is kept under a name, for later or for another shell. */
export const keptPlans = sqliteTable('kept_plans', {
  name: text('name').primaryKey(),
  /** Code and title of the shell that it was made for. */
  madeFor: text('made_for').notNull(),
  /** How many steps it has. */
  steps: integer('steps').notNull(),
  /** The plan as a file writes it (`currycomb.plan/1`). */
  plan: text('plan').notNull(),
  savedAt: text('saved_at').notNull(),
});
