import { z } from 'zod';
import { desc, sql } from 'drizzle-orm';
import { mostColumns } from '@/formats/archive/read-csv';
import { statusColumns } from '@/formats/status-sheet/columns';
import type { ColumnMeanings } from '@/formats/status-sheet/read-status-sheet';
import { sheetColumns } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';

/** What the columns of a status sheet mean, as a form sends it: by their names in small letters, null to leave one alone. */
export const columnMeaningsSchema = z
  .record(z.string().max(200), z.enum(statusColumns).nullable())
  .refine((meanings) => Object.keys(meanings).length <= mostColumns, {
    message: `a sheet of more than ${mostColumns} columns is not read; leave out those that are not needed`,
  })
  .default({});

/** So many columns are remembered; those that were said long ago are forgotten for those said now. */
const mostRemembered = 1_000;

/** What was said of columns before, with this sheet or another. */
export function rememberedColumns(folder: OpenFolder): ColumnMeanings {
  const rows = folder.db
    .select()
    .from(sheetColumns)
    .orderBy(desc(sql`rowid`))
    .limit(mostRemembered)
    .all();
  return Object.fromEntries(rows.map((r) => [r.name, statusColumns.find((c) => c === r.means) ?? null]));
}

export function rememberColumns(folder: OpenFolder, meanings: ColumnMeanings): void {
  folder.db.transaction((tx) => {
    for (const [name, column] of Object.entries(meanings)) {
      const means = column ?? '';
      tx.insert(sheetColumns)
        .values({ name, means })
        .onConflictDoUpdate({ target: sheetColumns.name, set: { means } })
        .run();
    }
    tx.run(
      sql`DELETE FROM ${sheetColumns} WHERE rowid NOT IN (SELECT rowid FROM ${sheetColumns} ORDER BY rowid DESC LIMIT ${mostRemembered})`,
    );
  });
}
