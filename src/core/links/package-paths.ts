import type { FilePath } from '@/core/refs/refs';
import { filePath } from '@/core/refs/refs';
import { removeDotSegments, resolveReference, splitReference } from './resolve-reference';

/** The file-base token of a cartridge in its three spellings (Common Cartridge 1.0 to 1.3, and thin). */
const fileBase = /^\s*(?:\$|%24)(?:IMS[-_]CC[-_]FILEBASE|1EdTech[-_]CC[-_]FILEBASE)(?:\$|%24)/i;

/** The file-base token that an address begins with, as it is written; null where it has none. */
export const fileBaseOf = (address: string): string | null => fileBase.exec(address)?.[0] ?? null;

/** Where the addresses below a base element start from, as a path in the package (RFC 3986, 5.1.1). */
export function baseOfAddresses(at: FilePath, base: string | null): FilePath {
  if (base === null) return at;
  const here = { scheme: null, authority: null, path: `/${at}`, query: null, fragment: null };
  return filePath(resolveReference(here, base).path.slice(1));
}

/** Every path of a package, ready to be looked up the ways that pages spell them. */
export interface PathIndex {
  find(path: string): FilePath | null;
  /** The one file that has this path below a top-level folder: some packages count the file base from there. */
  findBelowFolder(path: string): FilePath | null;
}

export function indexPaths(paths: Iterable<FilePath>): PathIndex {
  const exact = new Set<string>();
  const folded = new Map<string, FilePath | null>();
  const folders = new Set<string>();
  for (const path of paths) {
    exact.add(path);
    const key = foldedPath(path);
    folded.set(key, folded.has(key) ? null : path);
    const slash = path.indexOf('/');
    if (slash > 0) folders.add(path.slice(0, slash));
  }
  const look = (path: string): FilePath | null => {
    if (exact.has(path)) return filePath(path);
    return folded.get(foldedPath(path)) ?? null;
  };
  const lookDecoded = (path: string) => (path.includes('%') ? look(decodePath(path)) : null);
  const find = (path: string) => look(path) ?? lookDecoded(path);
  return {
    find,
    findBelowFolder(path) {
      const found = [...folders].map(
        (folder) => look(`${folder}/${path}`) ?? look(`${folder}/${decodePath(path)}`),
      );
      const hits = found.filter((f) => f !== null);
      return hits.length === 1 ? (hits[0] ?? null) : null;
    },
  };
}

/** A path as any spelling of it is looked up: NFC, case-folded, repeated slashes as one. */
const foldedPath = (path: string): string => singleSlashes(path).normalize('NFC').toLowerCase();

/** Repeated slashes in a path of the package count as one. */
export const singleSlashes = (path: string): string =>
  path.includes('//') ? path.replace(/\/{2,}/g, '/') : path;

/** Percent-decodes a path; a spelling that is no UTF-8 stays as it is. */
export function decodePath(path: string): string {
  if (!path.includes('%')) return path;
  try {
    return decodeURIComponent(path);
  } catch {
    return path;
  }
}

/** A package path as it is written in an address. */
export const encodePath = (path: string): string => (isPlain(path) ? path : encodeParts(path));

/** Nothing but characters that stand for themselves in the path of an address (RFC 3986, section 3.3). */
const isPlain = (path: string): boolean => /^[\w\-.!~*'()/,;@&=+$]*$/.test(path);

const encodeParts = (path: string): string =>
  path
    .split('/')
    .map((part) => encodeURIComponent(part).replace(/%(2C|3B|40|26|3D|2B|24)/g, (c) => decodeURIComponent(c)))
    .join('/');

/** What an address written in the package means. */
export type Meaning =
  /** `asked` is the path it spells; `found` the file that stands there, null where there is none. */
  | {
      readonly to: 'package';
      readonly asked: string;
      readonly found: FilePath | null;
      readonly tail: string;
      readonly token: boolean;
    }
  | { readonly to: 'outside'; readonly url: string }
  | { readonly to: 'itself' | 'folder' | 'host-path' | 'leaves-package' | 'nothing' };

/** An address with a scheme or a host of its own. */
const hasHost = /^[a-z][a-z0-9+.-]*:|^\/\//i;

/** What an address means under a base that lies outside; itself where the two make no address (WHATWG URL, 4.4). */
function againstHost(text: string, base: string): string {
  const host = base.startsWith('//') ? `https:${base}` : base;
  return URL.canParse(text, host) ? new URL(text, host).href : text;
}

/** Reads one written address against the file it stands in. A base element's address comes first (RFC 3986, 5.1). */
export function readAddress(value: string, at: FilePath, base: string | null, paths: PathIndex): Meaning {
  const token = fileBase.exec(value);
  if (token) {
    const rest = value.slice(token[0].length);
    const { path, query, fragment } = splitReference(rest);
    const folder = at.slice(0, at.lastIndexOf('/') + 1);
    const readings = path.startsWith('/') ? [path.slice(1), folder + path.slice(1)] : [folder + path, path];
    return look(readings, query, fragment, paths, true);
  }
  const text = value.replace(/\\/g, '/').replace(/[\t\n\r]/g, '');
  if (text === '') return { to: 'nothing' };
  if (hasHost.test(text)) return { to: 'outside', url: value };
  if (base !== null && hasHost.test(base)) return { to: 'outside', url: againstHost(text, base) };
  if (text.startsWith('/')) return { to: 'host-path' };
  if (text.startsWith('#')) return { to: 'itself' };
  const here = { scheme: null, authority: null, path: `/${at}`, query: null, fragment: null };
  let from = here;
  if (base !== null) from = { ...resolveReference(here, base), query: null, fragment: null } as typeof here;
  const { query, fragment, path: written } = splitReference(text);
  if (written === '' && base === null) return { to: 'itself' };
  const depth = from.path.split('/').length - 2;
  if (climbs(written) > depth) return { to: 'leaves-package' };
  const resolved = resolveReference(from, written).path.slice(1);
  return look([resolved], query, fragment, paths, false);
}

/** Reads addresses as `readAddress` does and keeps what each means: the same few are written all over a package. */
export type AddressReader = (value: string, at: FilePath, base: string | null) => Meaning;

export function addressReader(paths: PathIndex): AddressReader {
  const folders = new Map<string, Map<string, Meaning>>();
  return (value, at, base) => {
    if (base !== null) return readAddress(value, at, base, paths);
    // Without a base an address means the same in all texts of a folder.
    const folder = at.slice(0, at.lastIndexOf('/') + 1);
    let known = folders.get(folder);
    if (!known) folders.set(folder, (known = new Map<string, Meaning>()));
    let meaning = known.get(value);
    if (!meaning) known.set(value, (meaning = readAddress(value, at, null, paths)));
    return meaning;
  };
}

/** How many folders above its start a relative path climbs at most. */
function climbs(path: string): number {
  if (!path.includes('..')) return 0;
  let level = 0;
  let highest = 0;
  for (const part of path
    .split('/')
    .slice(0, -1)
    .concat(path.endsWith('..') ? ['..'] : [])) {
    if (part === '..') highest = Math.max(highest, -(level -= 1));
    else if (part !== '.' && part !== '') level += 1;
  }
  return highest;
}

function look(
  readings: string[],
  query: string | null,
  fragment: string | null,
  paths: PathIndex,
  token: boolean,
): Meaning {
  const tail = (query === null ? '' : `?${query}`) + (fragment === null ? '' : `#${fragment}`);
  const plain = readings.map((r) => singleSlashes(removeDotSegments(`/${r}`)).slice(1));
  if (plain[0] === '' || plain.every((p) => p.endsWith('/'))) return { to: 'folder' };
  for (const path of plain) {
    const found = paths.find(path);
    if (found) return { to: 'package', asked: found, found, tail, token };
  }
  const below = token ? paths.findBelowFolder(plain[0] ?? '') : null;
  if (below) return { to: 'package', asked: below, found: below, tail, token };
  return { to: 'package', asked: decodePath(plain[0] ?? ''), found: null, tail, token };
}
