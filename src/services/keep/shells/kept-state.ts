import { z } from 'zod';
import { takeInventory } from '@/core/inventory/inventory';
import type { Shell, Term } from '@/core/shell/model';
import type { Sha256 } from '@/core/refs/refs';
import { bareFingerprint } from '@/core/shell/shell-fingerprint';
import { sketchOf } from '@/core/shell/sketch';
import type { BlobStore } from '@/store/blobs';
import { keepTexts, loadShell, saveBareShell } from '@/store/state/keep-shell';

/**
 * A shell's state as a job leaves it in the blob store, with what the lists and headers show of it. What may be large is
 * a text already: the thread that answers requests writes it down as it is.
 */
export interface KeptState {
  readonly stateBlob: Sha256;
  readonly fingerprint: string;
  readonly code: string;
  readonly title: string;
  readonly term: Term;
  readonly asOf: string;
  /** `Inventory` as JSON. */
  readonly inventory: string;
  /** `Sketch` as JSON. */
  readonly sketch: string;
}

/** The hash of a blob, as inputs of jobs name it. */
export const blobHash = z
  .string()
  .regex(/^[0-9a-f]{64}$/)
  .transform((hash) => hash as Sha256);

/** The last shells used in this thread: their scans and links are worked out already. */
const recent = new Map<string, Shell>();
const mostRecent = 3;

export function shellOf(blobs: BlobStore, hash: Sha256): Shell {
  const known = recent.get(hash);
  const shell = known ?? loadShell(blobs, hash);
  remember(hash, shell);
  return shell;
}

export function remember(hash: Sha256, shell: Shell): void {
  recent.delete(hash);
  recent.set(hash, shell);
  const oldest = recent.keys().next().value;
  if (recent.size > mostRecent && oldest !== undefined) recent.delete(oldest);
}

export function keepState(blobs: BlobStore, shell: Shell): KeptState {
  const bare = keepTexts(blobs, shell);
  const stateBlob = saveBareShell(blobs, bare);
  remember(stateBlob, shell);
  const { code, title, term, asOf } = shell;
  return {
    stateBlob,
    fingerprint: bareFingerprint(bare),
    code,
    title,
    term,
    asOf,
    inventory: JSON.stringify(takeInventory(shell)),
    sketch: JSON.stringify(sketchOf(shell)),
  };
}
