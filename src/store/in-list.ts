import { sql, type SQL, type SQLWrapper } from 'drizzle-orm';

/**
 * The condition that a column is one of some values, however many: they are handed over as one JSON text (SQLite,
 * json_each), so that no statement grows with their number.
 */
export const inList = (column: SQLWrapper, values: readonly string[] | readonly number[]): SQL =>
  sql`${column} IN (SELECT value FROM json_each(${JSON.stringify(values)}))`;
