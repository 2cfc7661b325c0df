import { primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** What the next copy of a course shall leave behind, as somebody kept it: a row for each title. */
export const nextTimes = sqliteTable(
  'next_times',
  {
    course: text('course').notNull(),
    area: text('area').notNull(),
    title: text('title').notNull(),
    did: text('did').notNull(),
    /** The shell that it was taken out of; it may be gone. */
    shellId: text('shell_id').notNull(),
    keptAt: text('kept_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.course, t.area, t.title] })],
);
