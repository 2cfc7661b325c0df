import { eq } from 'drizzle-orm';
import type { NameThere } from '@/connectors/connector';
import type { Transaction } from '@/store/database';
import { hostNames } from '@/store/schema';

/** What things of a shell go by at its host, where that is another name. */
export const namesOf = (tx: Transaction, shellId: string): NameThere[] =>
  tx
    .select({ ref: hostNames.ref, there: hostNames.there })
    .from(hostNames)
    .where(eq(hostNames.shellId, shellId))
    .all();

export function learnNames(tx: Transaction, shellId: string, names: readonly NameThere[]): void {
  for (const { ref, there } of names)
    tx.insert(hostNames)
      .values({ shellId, ref, there })
      .onConflictDoUpdate({ target: [hostNames.shellId, hostNames.ref], set: { there } })
      .run();
}
