import { sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** What the person has switched on; what has no row is off. */
export const switches = sqliteTable('switches', {
  name: text('name').primaryKey(),
  turnedOnAt: text('turned_on_at').notNull(),
});
