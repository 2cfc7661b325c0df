import { z } from 'zod';
import { statusColumns } from '@/formats/status-sheet/columns';
import type { ColumnMeanings } from '@/formats/status-sheet/read-status-sheet';
import { sheetColumns } from '@/store/schema';
import type { Context } from '../context';

/** What the columns of a status sheet mean, as a form sends it: by their names in small letters, null to leave one alone. */
export const columnMeaningsSchema = z
  .record(z.string().max(200), z.enum(statusColumns).nullable())
  .default({});

/** What was said of columns before, with this sheet or another. */
export function rememberedColumns(context: Context): ColumnMeanings {
  const rows = context.db.select().from(sheetColumns).all();
  return Object.fromEntries(rows.map((r) => [r.name, statusColumns.find((c) => c === r.means) ?? null]));
}

export function rememberColumns(context: Context, meanings: ColumnMeanings): void {
  context.db.transaction((tx) => {
    for (const [name, column] of Object.entries(meanings)) {
      const means = column ?? '';
      tx.insert(sheetColumns)
        .values({ name, means })
        .onConflictDoUpdate({ target: sheetColumns.name, set: { means } })
        .run();
    }
  });
}
