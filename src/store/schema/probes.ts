import { sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { shells } from './shells';

/** What addresses outside answered, whichever shell leads there. */
export const webAnswers = sqliteTable('web_answers', {
  url: text('url').primaryKey(),
  state: text('state').notNull(),
  /** The whole answer as JSON. */
  answer: text('answer').notNull(),
  askedAt: text('asked_at').notNull(),
});

/** The last probe of a shell: which addresses led out of it, and from where. */
export const shellProbes = sqliteTable('shell_probes', {
  shellId: text('shell_id')
    .primaryKey()
    .references(() => shells.id, { onDelete: 'cascade' }),
  versionId: text('version_id').notNull(),
  /** The addresses with the places that lead there, as JSON. */
  links: text('links').notNull(),
  probedAt: text('probed_at').notNull(),
});
