import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { shells } from './shells';

/** Findings that somebody left be: kept per course by what the subjects say, so that the next term is not asked again. */
export const leaveBes = sqliteTable(
  'leave_bes',
  {
    course: text('course').notNull(),
    check: text('check').notNull(),
    substance: text('substance').notNull(),
    title: text('title').notNull(),
    /** Why, in the words of whoever decided it; null where nobody said. */
    reason: text('reason'),
    decidedAt: text('decided_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.course, t.check, t.substance] })],
);

/** Findings that wait: for the owner’s answer, or for another day. Kept like those that were left be. */
export const waiting = sqliteTable(
  'waiting',
  {
    course: text('course').notNull(),
    check: text('check').notNull(),
    substance: text('substance').notNull(),
    kind: text('kind', { enum: ['ask', 'later'] }).notNull(),
    decidedAt: text('decided_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.course, t.check, t.substance] })],
);

/** What the owner answered on a question sheet, as it was taken. */
export const ownerAnswers = sqliteTable(
  'owner_answers',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    asks: text('asks').notNull(),
    answer: text('answer', { enum: ['yes', 'no', 'unsure'] }).notNull(),
    note: text('note').notNull(),
    /** What it came to: accepted, left be, for later, by hand. */
    becomes: text('becomes').notNull(),
    findings: integer('findings').notNull(),
    takenAt: text('taken_at').notNull(),
  },
  (t) => [index('owner_answers_by_shell').on(t.shellId)],
);

/** A view of the workbench that somebody gave a name: what its list is filtered and grouped by. */
export const savedViews = sqliteTable('saved_views', {
  name: text('name').primaryKey(),
  /** The filter as the page’s address writes it. */
  query: text('query').notNull(),
  savedAt: text('saved_at').notNull(),
});
