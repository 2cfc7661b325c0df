import { asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { savedViews } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';

/** A view of the workbench under a name; its query is what the page’s address says behind the question mark. */
export const savedViewSchema = z.strictObject({
  name: z.string().trim().min(1, 'give the view a name').max(80, 'take a name of at most 80 characters'),
  query: z.string().max(2000),
});
export type SavedView = z.output<typeof savedViewSchema>;

/** The saved views by name. */
export const listSavedViews = ({ db }: OpenFolder): SavedView[] =>
  db
    .select({ name: savedViews.name, query: savedViews.query })
    .from(savedViews)
    .orderBy(asc(savedViews.name))
    .all();

/** Keeps a view; one of the same name is replaced. */
export function saveView(folder: OpenFolder, { name, query }: SavedView): SavedView[] {
  const savedAt = new Date().toISOString();
  folder.db
    .insert(savedViews)
    .values({ name, query, savedAt })
    .onConflictDoUpdate({ target: savedViews.name, set: { query, savedAt } })
    .run();
  return listSavedViews(folder);
}

export function dropView(folder: OpenFolder, name: string): SavedView[] {
  folder.db.delete(savedViews).where(eq(savedViews.name, name)).run();
  return listSavedViews(folder);
}
