import { readAs, sayMisfit } from '@/core/schema/read-as';
import { bareShell } from '@/core/shell/bare-shell';
import type { Shell } from '@/core/shell/model';
import type { Sha256 } from '@/core/refs/refs';
import { shellShape } from '@/core/shell/shape';
import { unsoundnessOf } from '@/core/shell/soundness';
import { lost, UnreadableStore } from '@/core/shell/unreadable-store';
import type { BlobStore } from '../blobs';
import { openPart, openState, stateForm, stateParts, type StatePart, type StateRoot } from './state-forms';

/**
 * Keeps a shell: a root that names its parts, each part a JSON of its own in which every text is the hash of a blob. What
 * changes together stands together, so a version that moved one item shares everything but the outline with the one
 * before. Returns the root's hash.
 */
export const saveShell = (blobs: BlobStore, shell: Shell): Sha256 =>
  saveBareShell(blobs, keepTexts(blobs, shell));

/** Keeps the texts of a shell; gives it with their hashes in their place. */
export const keepTexts = (blobs: BlobStore, shell: Shell): Shell =>
  bareShell(shell, (text) => blobs.put(text));

/** Keeps a shell whose texts are kept already. */
export function saveBareShell(blobs: BlobStore, bare: Shell): Sha256 {
  const parts = Object.fromEntries(
    stateParts.map((part) => [part.name, savePart(blobs, part, bare)]),
  ) as StateRoot['parts'];
  const root: StateRoot = { form: stateForm, parts };
  const hash = blobs.put(JSON.stringify(root));
  blobs.hold(hash, Object.values(parts));
  return hash;
}

function savePart(blobs: BlobStore, part: StatePart, bare: Shell): Sha256 {
  const value = Object.fromEntries(part.fields.map((field) => [field, bare[field]]));
  const hash = blobs.put(JSON.stringify({ form: stateForm, part: part.name, value }));
  blobs.hold(hash, part.holds(bare));
  return hash;
}

/** The shell without its texts (each is the hash of a blob): enough for everything but combing and changing. */
export function loadBareShell(blobs: BlobStore, hash: Sha256): Shell {
  const shell = openBareShell(blobs, hash);
  if (believed.has(hash)) return shell;
  const fault = faultOf(shell);
  if (fault !== null)
    throw new UnreadableStore(
      `What is kept of this shell contradicts itself (${fault}). Remove it from the list, and bring its package in again.`,
    );
  believed.add(hash);
  return shell;
}

/** States that were looked over in this process; a hash names the same bytes for good. */
const believed = new Set<Sha256>();

/** A data folder may come from somebody else: what it holds is looked over as what a package or host says is. */
function faultOf(shell: Shell): string | null {
  const shape = readAs(shellShape, shell);
  return shape.ok ? unsoundnessOf(shell) : sayMisfit(shape.misfit);
}

function openBareShell(blobs: BlobStore, hash: Sha256): Shell {
  const root = openState(readJson(blobs, hash, 'The state of this shell'));
  if (root.is === 'whole') return root.shell;
  const parts = Object.entries(root.parts).map(([name, part]) =>
    openPart(name, readJson(blobs, part, `Part of this shell (${name})`)),
  );
  return Object.assign({}, ...parts) as Shell;
}

export function loadShell(blobs: BlobStore, hash: Sha256): Shell {
  const bare = loadBareShell(blobs, hash);
  return {
    ...bare,
    contents: bare.contents.map((c) => ({ ...c, texts: c.texts.map((t) => textOf(blobs, t)) })),
    files: bare.files.map((f) => ({ ...f, text: f.text === null ? null : textOf(blobs, f.text) })),
    entries: bare.entries.map((e) => ({ ...e, text: e.text === null ? null : textOf(blobs, e.text) })),
  };
}

function readJson(blobs: BlobStore, hash: Sha256, what: string): unknown {
  const bytes = blobs.read(hash);
  if (!bytes) throw lost(what);
  return parsed(bytes.toString('utf8'), what);
}

function parsed(text: string, what: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    throw lost(what);
  }
}

export function textOf(blobs: BlobStore, hash: string): string {
  const bytes = blobs.read(hash as Sha256);
  if (!bytes) throw lost('A text of this shell');
  return bytes.toString('utf8');
}

/** For states of the first form, which do not say what they hold. */
export function holdOldState(blobs: BlobStore, hash: Sha256): void {
  const bare = loadBareShell(blobs, hash);
  for (const part of stateParts) blobs.hold(hash, part.holds(bare));
}
