import type { FilePath } from '@/core/refs/refs';
import { filePath } from '@/core/refs/refs';

/** Gives names that nothing has yet: the wanted one where it is free, else with a number behind it. */
export class FreshNames {
  private readonly taken: Set<string>;
  constructor(
    taken: Iterable<string>,
    private readonly fold: (name: string) => string = (name) => name,
  ) {
    this.taken = new Set([...taken].map(fold));
  }
  take(wanted: string, numbered: (name: string, n: number) => string = (name, n) => `${name}-${n}`): string {
    let name = wanted;
    for (let n = 2; this.taken.has(this.fold(name)); n += 1) name = numbered(wanted, n);
    this.taken.add(this.fold(name));
    return name;
  }
}

/** Paths that differ only in case are one path to many systems. */
export const freshPaths = (taken: Iterable<FilePath>): { take(path: FilePath): FilePath } => {
  const names = new FreshNames(taken, (p) => p.normalize('NFC').toLowerCase());
  return { take: (path) => filePath(names.take(path, (name, n) => name.replace(/(\.[^./]*)?$/, `-${n}$1`))) };
};
