import type { Shell } from '@/core/shell/model';
import type { Sha256 } from '@/core/shell/refs';
import type { BlobStore } from './blobs';

/**
 * A shell as it is kept: JSON in which every text is the hash of a blob. A text that stands unchanged in a file of the
 * package shares that file's blob; versions share everything they have in common.
 */
export function saveShell(blobs: BlobStore, shell: Shell): Sha256 {
  const keep = (text: string) => blobs.put(text);
  const kept = {
    ...shell,
    contents: shell.contents.map((c) => ({ ...c, texts: c.texts.map(keep) })),
    files: shell.files.map((f) => ({ ...f, text: f.text === null ? null : keep(f.text) })),
    entries: shell.entries.map((e) => ({ ...e, text: e.text === null ? null : keep(e.text) })),
  };
  return blobs.put(JSON.stringify(kept));
}

/** The shell without its texts (each is the hash of a blob): enough for everything but combing and changing. */
export function loadBareShell(blobs: BlobStore, hash: Sha256): Shell {
  const bytes = blobs.read(hash);
  if (!bytes) throw new Error(`the shell ${hash} is not in the store`);
  return JSON.parse(bytes.toString('utf8')) as Shell;
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

export function textOf(blobs: BlobStore, hash: string): string {
  const bytes = blobs.read(hash as Sha256);
  if (!bytes) throw new Error(`a text (${hash}) is not in the store`);
  return bytes.toString('utf8');
}

/** Every blob that a kept shell needs. */
export function blobsOf(blobs: BlobStore, hash: Sha256): string[] {
  const bare = loadBareShell(blobs, hash);
  return [
    hash,
    ...bare.contents.flatMap((c) => c.texts),
    ...bare.files.flatMap((f) => [f.sha256, ...(f.text === null ? [] : [f.text])]),
    ...bare.entries.flatMap((e) => [e.sha256, ...(e.text === null ? [] : [e.text])]),
  ];
}
