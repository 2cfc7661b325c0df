import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { inToldTerm, redateTaken, type NoClassOf, type TakenDate } from '@/core/add/redate-taken';
import { parseLocalDate } from '@/core/dates/local-date';
import { houseNoClass } from '@/core/time/house-terms';
import { incomings } from '@/store/schema';
import { rulesFor } from '@/services/keep/rules/house-rules';
import { rulesFrom } from '@/services/keep/rules/written-rules';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import type { CurrentShell } from '@/services/keep/shells/current-shell';
import { blobHash, shellOf } from '@/services/keep/shells/kept-state';

const day = z
  .string()
  .transform((text) => (text === '' ? null : parseLocalDate(text)))
  .nullable();

/** How the dates of a source would move. */
export const bringOverDatesQuery = z.object({
  mode: z.enum(['keep', 'week-and-weekday', 'shift', 'clear']).catch('keep'),
  days: z.coerce.number().int().min(-20_000).max(20_000).catch(0),
  start: day.default(null),
  end: day.default(null),
});

/** Every date of every thing of a source, old and new, by its ref; the sentence why, where that can’t be told. */
export type BringOverDates =
  | { readonly rows: Readonly<Record<string, readonly TakenDate[]>>; readonly trouble: null }
  | { readonly rows: null; readonly trouble: string };

/** What becomes of each date of the source that waits, whatever is ticked; null where none waits. */
export function bringOverDates(
  folder: OpenFolder,
  current: CurrentShell,
  query: URLSearchParams,
): BringOverDates | null {
  const { db, blobs } = folder;
  const waiting = db.select().from(incomings).where(eq(incomings.shellId, current.row.id)).get();
  if (!waiting) return null;
  const { mode, days, start, end } = bringOverDatesQuery.parse(Object.fromEntries(query));
  const shell = shellOf(blobs, blobHash.parse(current.version.stateBlob));
  const whole = shellOf(blobs, blobHash.parse(waiting.stateBlob));
  const source = inToldTerm(whole, { start, end });
  const events = mode === 'clear' ? [] : source.events;
  const refs = new Set<string>([...source.items, ...events].map(({ ref }) => ref));
  const rules = rulesFrom(rulesFor(folder, current.row).written);
  const noClassOf: NoClassOf = (term) => houseNoClass(term, rules.ok ? rules.value.terms : []);
  const dates = redateTaken(shell, source, refs, { mode, days }, noClassOf);
  if (!dates.ok) return { rows: null, trouble: dates.trouble.message };
  return { rows: Object.fromEntries(dates.value.rows), trouble: null };
}
