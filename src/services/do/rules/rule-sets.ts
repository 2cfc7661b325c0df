import { randomUUID } from 'node:crypto';
import { count, eq } from 'drizzle-orm';
import { z } from 'zod';
import { bad, good, type Result } from '@/core/shell/result';
import { inList } from '@/store/in-list';
import { houseRules, shells } from '@/store/schema';
import type { OpenFolder } from '@/services/keep/storage/open-folder';
import { shellIdsSchema } from '@/services/do/many-shells/chosen-shells';
import { houseSet, keptRules } from '@/services/keep/rules/house-rules';

/** A set of house rules, and how many shells are combed by it. */
export interface RuleSet {
  readonly id: string;
  /** The department’s name. */
  readonly name: string;
  readonly shells: number;
}

const houseName = 'The whole house';

/** The house’s own set first, then the departments by name. */
export function listRuleSets({ db }: OpenFolder): readonly RuleSet[] {
  const counts = new Map(
    db
      .select({ set: shells.rulesId, shells: count() })
      .from(shells)
      .groupBy(shells.rulesId)
      .all()
      .map((row) => [row.set ?? houseSet, row.shells]),
  );
  const departments = db
    .select({ id: houseRules.id, name: houseRules.name })
    .from(houseRules)
    .orderBy(houseRules.name)
    .all()
    .filter(({ id }) => id !== houseSet);
  const sets = [{ id: houseSet, name: houseName }, ...departments];
  return sets.map((set) => ({ ...set, shells: counts.get(set.id) ?? 0 }));
}

export const newSetSchema = z.strictObject({ name: z.string().trim().min(1).max(80), like: z.string() });

/** Begins a department’s set as a copy of another. */
export function beginRuleSet(
  folder: OpenFolder,
  { name, like }: z.output<typeof newSetSchema>,
): Result<{ readonly id: string }> {
  const isTaken = listRuleSets(folder).some((set) => set.name.toLowerCase() === name.toLowerCase());
  if (isTaken) return bad('name-taken', `There are rules called “${name}” already; choose another name.`);
  const id = randomUUID();
  const rules = JSON.stringify(keptRules(folder, like).written);
  folder.db.insert(houseRules).values({ id, name, rules, changedAt: new Date().toISOString() }).run();
  return good({ id });
}

export const dropSetSchema = z.strictObject({ id: z.string() });

/** Drops a department’s set; its shells go by the rules of the house from now on. */
export function dropRuleSet(
  { db }: OpenFolder,
  { id }: z.output<typeof dropSetSchema>,
): Result<{ readonly dropped: true }> {
  if (id === houseSet) return bad('house-set', 'The rules of the whole house stay; change them instead.');
  db.transaction((tx) => {
    tx.update(shells).set({ rulesId: null }).where(eq(shells.rulesId, id)).run();
    tx.delete(houseRules).where(eq(houseRules.id, id)).run();
  });
  return good({ dropped: true });
}

export const assignSchema = z.strictObject({ shells: shellIdsSchema, set: z.string() });

/** Puts shells under the rules of a department; they say that they were combed by others until they are combed again. */
export function assignRules(
  folder: OpenFolder,
  { shells: ids, set }: z.output<typeof assignSchema>,
): Result<{ readonly shells: number }> {
  if (!listRuleSets(folder).some(({ id }) => id === set))
    return bad('set-gone', 'These house rules are not there any more; choose others.');
  const rulesId = set === houseSet ? null : set;
  const { changes } = folder.db.update(shells).set({ rulesId }).where(inList(shells.id, ids)).run();
  return good({ shells: changes });
}
