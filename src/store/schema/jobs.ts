import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** Work that outlives a request. */
export const jobs = sqliteTable(
  'jobs',
  {
    id: text('id').primaryKey(),
    kind: text('kind').notNull(),
    shellId: text('shell_id'),
    state: text('state', { enum: ['waiting', 'running', 'paused', 'done', 'failed', 'cancelled'] }).notNull(),
    /** What it was given, as JSON: enough to start it again after a restart. */
    input: text('input').notNull().default('null'),
    done: integer('done').notNull(),
    total: integer('total').notNull(),
    doing: text('doing').notNull(),
    result: text('result'),
    trouble: text('trouble'),
    tries: integer('tries').notNull().default(0),
    createdAt: text('created_at').notNull(),
    finishedAt: text('finished_at'),
  },
  (t) => [index('jobs_by_state').on(t.state), index('jobs_by_shell').on(t.shellId, t.kind)],
);
