import { sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { shells } from './shells';

/** The recipe that somebody works a shell through, and what they ticked of it by hand. */
export const shellRecipes = sqliteTable('shell_recipes', {
  shellId: text('shell_id')
    .primaryKey()
    .references(() => shells.id, { onDelete: 'cascade' }),
  recipe: text('recipe').notNull(),
  /** Ids of steps that only the person can say are done, as a JSON list. */
  ticked: text('ticked').notNull().default('[]'),
  begunAt: text('begun_at').notNull(),
});
