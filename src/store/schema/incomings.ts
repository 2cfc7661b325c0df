import { sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { shells } from './shells';

/** A package that was read to be added: one for each shell, until it is added or another takes its place. */
export const incomings = sqliteTable('incomings', {
  id: text('id').primaryKey(),
  shellId: text('shell_id')
    .notNull()
    .unique()
    .references(() => shells.id, { onDelete: 'cascade' }),
  packageName: text('package_name').notNull(),
  packageHash: text('package_hash').notNull(),
  title: text('title').notNull(),
  /** The version that it was held against. */
  versionId: text('version_id').notNull(),
  stateBlob: text('state_blob').notNull(),
  /** Blob of the preview as JSON. */
  previewBlob: text('preview_blob').notNull(),
  /** As in `versions` (shells.ts). */
  intake: text('intake').notNull(),
  notesBlob: text('notes_blob'),
  createdAt: text('created_at').notNull(),
});
