import { sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** House rules, a set for each department, as JSON of what was set by hand; `house` is the one that all others begin with. */
export const houseRules = sqliteTable('house_rules', {
  id: text('id').primaryKey(),
  /** The department that it is called after; empty for the house’s own. */
  name: text('name').notNull().default(''),
  rules: text('rules').notNull(),
  changedAt: text('changed_at').notNull(),
});

/** What a column of a status sheet means, under the name that a campus system gives it; empty where it is left alone. */
export const sheetColumns = sqliteTable('sheet_columns', {
  name: text('name').primaryKey(),
  means: text('means').notNull(),
});
