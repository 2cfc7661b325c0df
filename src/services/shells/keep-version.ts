import { randomUUID } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { IntakeNote } from '@/core/shell/result';
import type { Db } from '@/store/database';
import { shells, versions } from '@/store/schema';
import type { KeptState } from '../jobs/job-kinds';

type Transaction = Parameters<Parameters<Db['transaction']>[0]>[0];

/** Writes a new version of a shell and makes it the current one; returns its id. */
export function keepVersion(
  tx: Transaction,
  shellId: string,
  state: KeptState,
  intake: readonly IntakeNote[],
  now: string,
): string {
  const id = randomUUID();
  tx.insert(versions)
    .values({
      id,
      shellId,
      stateBlob: state.stateBlob,
      fingerprint: state.fingerprint,
      inventory: JSON.stringify(state.inventory),
      sketch: JSON.stringify(state.sketch),
      intake: JSON.stringify(intake),
      createdAt: now,
    })
    .run();
  tx.update(shells).set({ versionId: id }).where(eq(shells.id, shellId)).run();
  return id;
}
