import { sqliteTable, text } from 'drizzle-orm/sqlite-core';

/** A folder of this computer that is watched: packages that come into it are brought in. One at most. */
export const watchedFolders = sqliteTable('watched_folders', {
  id: text('id').primaryKey(),
  path: text('path').notNull(),
  since: text('since').notNull(),
});

/** A package that was taken from the watched folder, so that it is not taken again. */
export const watchedPackages = sqliteTable('watched_packages', {
  path: text('path').primaryKey(),
  /** Sizes and times of it and its side files: another stamp is another package. */
  stamp: text('stamp').notNull(),
  jobId: text('job_id').notNull(),
  takenAt: text('taken_at').notNull(),
});
