import { eq } from 'drizzle-orm';
import type { NameThere } from '@/connectors/connector';
import type { Transaction } from '@/store/database';
import { hostNames } from '@/store/schema';

/** What things of a shell went and go by at its host, the last name of each last. */
export const namesOf = (tx: Transaction, shellId: string): NameThere[] =>
  tx
    .select({ ref: hostNames.ref, there: hostNames.there })
    .from(hostNames)
    .where(eq(hostNames.shellId, shellId))
    .orderBy(hostNames.id)
    .all();

export function learnNames(tx: Transaction, shellId: string, names: readonly NameThere[]): void {
  for (const { ref, there } of names)
    tx.insert(hostNames).values({ shellId, ref, there }).onConflictDoNothing().run();
}
