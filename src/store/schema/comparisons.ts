import { primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { shells } from './shells';

/** A shell compared with another: the last time that it was asked, of which states, and what came of it as JSON. */
export const comparisons = sqliteTable(
  'comparisons',
  {
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    otherId: text('other_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    versionId: text('version_id').notNull(),
    otherVersionId: text('other_version_id').notNull(),
    comparison: text('comparison').notNull(),
    comparedAt: text('compared_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.shellId, t.otherId] })],
);
