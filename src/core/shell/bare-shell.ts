import type { Shell } from './model';
import type { Sha256 } from '@/core/refs/refs';

/** A shell with the hash of each text in the place of the text, as states are kept and fingerprints are made. */
export function bareShell(shell: Shell, hashOf: (text: string) => Sha256): Shell {
  const bareText = <Named extends { readonly text: string | null }>(one: Named): Named => ({
    ...one,
    text: one.text === null ? null : hashOf(one.text),
  });
  return {
    ...shell,
    contents: shell.contents.map((content) => ({ ...content, texts: content.texts.map(hashOf) })),
    files: shell.files.map(bareText),
    entries: shell.entries.map(bareText),
  };
}
