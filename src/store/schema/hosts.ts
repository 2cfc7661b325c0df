import { sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

/** A campus host that somebody signed in to, and as whom. */
export const hosts = sqliteTable(
  'hosts',
  {
    id: text('id').primaryKey(),
    /** Where its API is, without a slash at the end. */
    address: text('address').notNull(),
    name: text('name').notNull(),
    /** Kept so that a run can sign in again after hours or a restart; it leaves this folder for the host alone. */
    secret: text('secret').notNull(),
    /** Who the host says that this is. */
    account: text('account').notNull(),
    createdAt: text('created_at').notNull(),
  },
  (t) => [uniqueIndex('hosts_by_address').on(t.address, t.name)],
);
