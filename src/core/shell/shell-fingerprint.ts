import { bareShell } from './bare-shell';
import { digest } from '@/core/refs/digest';
import type { Shell } from './model';

const fingerprints = new WeakMap<Shell, string>();

/** What a fingerprint is made of, in the words that name a difference; texts are named by their hash. */
const parts: Readonly<Record<string, (shell: Shell) => unknown>> = {
  identity: (s) => [s.ref, s.code, s.title, s.term],
  outline: (s) => s.items,
  contents: (s) => s.contents,
  files: (s) => [s.files, s.entries.map((e) => [e.path, e.sha256])],
  events: (s) => [s.events, s.calendar],
  setup: (s) => [s.gradeCategories, s.gradeColumns, s.banks, s.groups, s.homePages],
};

/**
 * Names a state of a shell: two shells equal in every part that a plan can change have the same fingerprint.
 * It has a piece for each part, `outline:1a2b3c4d5e`, so that a difference can be named.
 */
export function shellFingerprint(shell: Shell): string {
  const known = fingerprints.get(shell);
  if (known !== undefined) return known;
  const print = bareFingerprint(bareShell(shell, digest));
  fingerprints.set(shell, print);
  return print;
}

/** The fingerprint of a shell whose texts are hashes already. */
export const bareFingerprint = (bare: Shell): string =>
  Object.entries(parts)
    .map(([name, part]) => `${name}:${digest(JSON.stringify(part(bare))).slice(0, 16)}`)
    .join(' ');

/** The parts in which two fingerprints differ; all of them where one is no fingerprint. */
export function differingParts(a: string, b: string): string[] {
  const [left, right] = [new Set(a.split(' ')), new Set(b.split(' '))];
  return Object.keys(parts).filter((name) => {
    const piece = [...left].find((p) => p.startsWith(`${name}:`));
    return piece === undefined || !right.has(piece);
  });
}
