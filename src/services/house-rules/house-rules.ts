import { eq } from 'drizzle-orm';
import { good, type Result } from '@/core/shell/result';
import type { HouseTerm } from '@/core/time/house-terms';
import { houseRules } from '@/store/schema';
import type { Context } from '../context';
import { rulesFrom, rulesKey, type WrittenRules } from './written-rules';

export interface KeptRules {
  readonly written: WrittenRules;
  /** Names these rules; empty for the defaults. An audit remembers it. */
  readonly key: string;
}

const theOne = 'house';

export function keptRules(context: Context): KeptRules {
  const row = context.db.select().from(houseRules).where(eq(houseRules.id, theOne)).get();
  const written = row ? (JSON.parse(row.rules) as WrittenRules) : {};
  return { written, key: rulesKey(written) };
}

/** The terms of the kept rules, in the order of the year. */
export function houseTerms(context: Context): readonly HouseTerm[] {
  const read = rulesFrom(keptRules(context).written);
  return read.ok ? [...read.value.terms].sort((a, b) => (a.start < b.start ? -1 : 1)) : [];
}

/** Keeps house rules in place of the ones before; the trouble is one sentence that names the setting. */
export function keepRules(context: Context, written: WrittenRules): Result<KeptRules> {
  const read = rulesFrom(written);
  if (!read.ok) return read;
  const rules = JSON.stringify(written);
  const changedAt = new Date().toISOString();
  context.db
    .insert(houseRules)
    .values({ id: theOne, rules, changedAt })
    .onConflictDoUpdate({ target: houseRules.id, set: { rules, changedAt } })
    .run();
  return good({ written, key: rulesKey(written) });
}
