import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import type { IntakeNote } from '@/core/shell/result';
import type { Transaction } from '@/store/database';
import { shells, versions } from '@/store/schema';
import { Refusal } from '../jobs/job-record';
import type { KeptState } from './kept-state';

export interface VersionAbout {
  readonly kind: 'read' | 'run' | 'add' | 'undo';
  readonly label: string;
  readonly parentId: string | null;
  readonly intake: readonly IntakeNote[];
  readonly now: string;
}

/** Writes a new version of a shell; returns its id. Nobody sees it until `turnTo` makes it the current one. */
export function keepVersion(tx: Transaction, shellId: string, state: KeptState, about: VersionAbout): string {
  const id = randomUUID();
  tx.insert(versions)
    .values({
      id,
      shellId,
      parentId: about.parentId,
      kind: about.kind,
      label: about.label,
      stateBlob: state.stateBlob,
      fingerprint: state.fingerprint,
      inventory: JSON.stringify(state.inventory),
      sketch: JSON.stringify(state.sketch),
      intake: JSON.stringify(about.intake),
      createdAt: about.now,
    })
    .run();
  return id;
}

/** Makes another version the current one, where the expected one still is; refuses otherwise, and nothing is written. */
export function turnTo(tx: Transaction, shellId: string, expected: string, next: string): void {
  const changed = tx
    .update(shells)
    .set({ versionId: next })
    .where(and(eq(shells.id, shellId), eq(shells.versionId, expected)))
    .run().changes;
  if (changed === 0)
    throw new Refusal(
      'The shell changed in the meantime, so nothing was written; look at it as it is now and start again.',
    );
}
