import { eq } from 'drizzle-orm';
import { good, type Result } from '@/core/shell/result';
import type { HouseTerm } from '@/core/time/house-terms';
import { houseRules } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { parseKept } from '@/services/keep/rows/parse-kept';
import { rulesFrom, rulesKey, type WrittenRules } from './written-rules';

export interface KeptRules {
  readonly written: WrittenRules;
  /** Names these rules; empty for the defaults. An audit remembers it. */
  readonly key: string;
}

/** The set of the house itself, which goes for every shell that no department has. */
export const houseSet = 'house';

/** The rules of a set; those of the house where it is not there any more. */
export function keptRules({ db }: OpenFolder, set: string = houseSet): KeptRules {
  const row =
    db.select().from(houseRules).where(eq(houseRules.id, set)).get() ??
    db.select().from(houseRules).where(eq(houseRules.id, houseSet)).get();
  const written = row ? parseKept<WrittenRules>(row.rules, 'The house rules') : {};
  return { written, key: rulesKey(written) };
}

/** The rules that a shell is combed by: its department’s. */
export const rulesFor = (folder: OpenFolder, { rulesId }: { readonly rulesId: string | null }): KeptRules =>
  keptRules(folder, rulesId ?? houseSet);

/** The terms of the kept rules, in the order of the year. */
export function houseTerms(folder: OpenFolder): readonly HouseTerm[] {
  const read = rulesFrom(keptRules(folder).written);
  return read.ok ? [...read.value.terms].sort((a, b) => (a.start < b.start ? -1 : 1)) : [];
}

/** Keeps the rules of a set in place of the ones before; the trouble is one sentence that names the setting. */
export function keepRules(
  folder: OpenFolder,
  written: WrittenRules,
  set: string = houseSet,
): Result<KeptRules> {
  const read = rulesFrom(written);
  if (!read.ok) return read;
  const rules = JSON.stringify(written);
  const changedAt = new Date().toISOString();
  folder.db
    .insert(houseRules)
    .values({ id: set, rules, changedAt })
    .onConflictDoUpdate({ target: houseRules.id, set: { rules, changedAt } })
    .run();
  return good({ written, key: rulesKey(written) });
}
