/**
 * Why a path can't name an entry of a package, as the end of a sentence; null where it can. A package that is unpacked
 * must write nowhere but into its own folder (PKWARE APPNOTE 6.3, 4.4.17.1: no drive letter, no leading slash).
 */
export function pathFault(path: string): string | null {
  if (path === '') return 'has no name';
  if (/^[/\\]/.test(path) || /^[a-z]:/i.test(path) || path.split(/[/\\]/).includes('..'))
    return 'has a path that leaves the package';
  return path.includes('\u0000') ? 'has a zero byte in its name' : null;
}
