import { compareText } from '@/core/compare-text';
import { collect } from '@/core/collect';
import { courseCodes } from '@/core/text/course-codes';
import { likelySideFile, sideFileOf, stemOf, type SideFile } from './side-files';

/** A package with the side files that belong to it, as paths. */
export interface PackageGroup {
  readonly package: string;
  readonly sides: Readonly<Partial<Record<SideFile, string>>>;
  /** The course code that its name says, as people write it; empty where it says none. */
  readonly code: string;
}
/** A file that belongs to no package, and why. */
export interface Stranger {
  readonly path: string;
  readonly why: string;
}
export interface PackageGroups {
  readonly groups: readonly PackageGroup[];
  readonly strangers: readonly Stranger[];
}

/**
 * Says which side files belong to which package of a folder, by their names alone: NAME.events.ics belongs to
 * NAME.imscc beside it, and in a folder with one package what looks like a calendar or a sheet belongs to that. What
 * could belong to several belongs to none.
 */
export function groupPackages(paths: readonly string[]): PackageGroups {
  const ordered = [...paths].sort(compareText);
  const packages = ordered.filter(isPackage);
  const sides = new Map<string, Map<SideFile, string>>(packages.map((path) => [path, new Map()]));
  const byStem = new Map(packages.map((path) => [stemOf(path).toLowerCase(), path]));
  const byFolder = new Map<string, string[]>();
  for (const path of packages) collect(byFolder, folderOf(path), path);
  const strangers: Stranger[] = [];
  for (const path of ordered) {
    if (isPackage(path) || isHiddenName(path)) continue;
    const place = placeOf(path, byStem, byFolder.get(folderOf(path)) ?? []);
    if (typeof place === 'string') {
      strangers.push({ path, why: place });
      continue;
    }
    const of = sides.get(place.package);
    if (of?.has(place.is)) strangers.push({ path, why: `its place is taken by “${of.get(place.is)}”` });
    else of?.set(place.is, path);
  }
  const groups = packages.map((path) => ({
    package: path,
    sides: Object.fromEntries(sides.get(path) ?? []),
    code: codeInName(path),
  }));
  return { groups, strangers };
}

interface Place {
  readonly is: SideFile;
  readonly package: string;
}

/** Whose side file it is; a sentence part where that can’t be told. */
function placeOf(
  path: string,
  byStem: ReadonlyMap<string, string>,
  beside: readonly string[],
): Place | string {
  const named = sideFileOf(path);
  const owner = named && byStem.get(named.stem.toLowerCase());
  if (named && owner) return { is: named.is, package: owner };
  const is = likelySideFile(path);
  if (is === null) return 'it is no package, calendar, sheet or roster';
  const [only] = beside;
  if (only === undefined) return 'there is no package in its folder';
  if (beside.length > 1) return 'several packages lie beside it; call it after its own, as NAME.events.ics';
  return { is, package: only };
}

const isPackage = (path: string): boolean =>
  /\.(imscc|zip)$/i.test(path) &&
  !isHiddenName(path) &&
  sideFileOf(path) === null &&
  likelySideFile(path) === null;

/** Files that systems keep for themselves. */
const isHiddenName = (path: string): boolean => path.split('/').some((part) => /^[.~]/.test(part));
const folderOf = (path: string): string => path.slice(0, Math.max(0, path.lastIndexOf('/')));

function codeInName(path: string): string {
  const name = stemOf(path.slice(path.lastIndexOf('/') + 1)).replace(/[-_.]+/g, ' ');
  const [first] = courseCodes(name.toUpperCase());
  return first ? `${first.letters} ${first.digits}` : '';
}
