import { collect } from '@/core/collect';
import type { Shell } from '@/core/shell/model';

/** The last part of a path, in small letters: what a file is looked for by when its folder is wrong. */
export const nameOfPath = (path: string): string => path.slice(path.lastIndexOf('/') + 1).toLowerCase();

/** The files and pages of a shell that an address could lead to, by name. */
export function pathsByName(shell: Shell): Map<string, string[]> {
  const byName = new Map<string, string[]>();
  const pages = shell.contents.flatMap((c) => (c.kind === 'page' && c.href ? [c.href] : []));
  for (const path of new Set<string>([...shell.files.map((f) => f.path), ...pages]))
    collect(byName, nameOfPath(path), path);
  return byName;
}
