import { randomUUID } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import type { Sha256 } from '@/core/refs/refs';
import type { Transaction } from '@/store/database';
import { shells, versions } from '@/store/schema';
import { Refusal } from '@/services/keep/jobs/job-record';
import { noIntake, type KeptIntake } from './kept-intake';
import type { KeptState } from './kept-state';

export interface VersionAbout {
  readonly kind: 'read' | 'run' | 'add' | 'undo';
  readonly label: string;
  readonly parentId: string | null;
  /** What its reading met; a version that was made of another has that of its parent. */
  readonly met?: KeptIntake;
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
      inventory: state.inventory,
      sketch: state.sketch,
      ...(about.met ?? intakeOfParent(tx, about.parentId)),
      createdAt: about.now,
    })
    .run();
  return id;
}

function intakeOfParent(tx: Transaction, parentId: string | null): KeptIntake {
  if (parentId === null) return noIntake;
  const { intake, notesBlob } = versions;
  const parent = tx.select({ intake, notesBlob }).from(versions).where(eq(versions.id, parentId)).get();
  return parent ? { intake: parent.intake, notesBlob: parent.notesBlob as Sha256 | null } : noIntake;
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
