import { integer, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { shells } from './shells';

/** What things of a shell went and go by at its host, where that is another name than their ref here; the last one counts. */
export const hostNames = sqliteTable(
  'host_names',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    shellId: text('shell_id')
      .notNull()
      .references(() => shells.id, { onDelete: 'cascade' }),
    ref: text('ref').notNull(),
    there: text('there').notNull(),
  },
  (t) => [uniqueIndex('host_names_by_name').on(t.shellId, t.there)],
);
