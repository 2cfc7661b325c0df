/** The five parts of a URI reference (RFC 3986, appendix B). */
export interface UriParts {
  readonly scheme: string | null;
  readonly authority: string | null;
  readonly path: string;
  readonly query: string | null;
  readonly fragment: string | null;
}

const reference = /^(?:([^:/?#]+):)?(?:\/\/([^/?#]*))?([^?#]*)(?:\?([^#]*))?(?:#(.*))?$/s;

/** Most references are a path and nothing else. */
const isPathAlone = (text: string): boolean => !/[:?#]/.test(text) && !text.startsWith('//');

export function splitReference(text: string): UriParts {
  if (isPathAlone(text)) return { scheme: null, authority: null, path: text, query: null, fragment: null };
  const m = reference.exec(text);
  return {
    scheme: m?.[1] ?? null,
    authority: m?.[2] ?? null,
    path: m?.[3] ?? '',
    query: m?.[4] ?? null,
    fragment: m?.[5] ?? null,
  };
}

export function joinReference(parts: UriParts): string {
  return (
    (parts.scheme === null ? '' : `${parts.scheme}:`) +
    (parts.authority === null ? '' : `//${parts.authority}`) +
    parts.path +
    (parts.query === null ? '' : `?${parts.query}`) +
    (parts.fragment === null ? '' : `#${parts.fragment}`)
  );
}

/** Takes `.` and `..` out of a path (RFC 3986, 5.2.4). */
export function removeDotSegments(path: string): string {
  // Most paths have none: no part of theirs begins with a dot.
  if (path[0] !== '.' && !path.includes('/.')) return path;
  let input = path;
  const output: string[] = [];
  while (input !== '') {
    if (input.startsWith('../')) input = input.slice(3);
    else if (input.startsWith('./')) input = input.slice(2);
    else if (input.startsWith('/./')) input = input.slice(2);
    else if (input === '/.') input = '/';
    else if (input.startsWith('/../')) {
      input = input.slice(3);
      output.pop();
    } else if (input === '/..') {
      input = '/';
      output.pop();
    } else if (input === '.' || input === '..') input = '';
    else {
      const next = input.indexOf('/', 1);
      output.push(next < 0 ? input : input.slice(0, next));
      input = next < 0 ? '' : input.slice(next);
    }
  }
  return output.join('');
}

/** Resolves a reference against a base (RFC 3986, 5.2.2, strict). */
export function resolveReference(base: UriParts, text: string): UriParts {
  const r = splitReference(text);
  if (r.scheme !== null) return { ...r, path: removeDotSegments(r.path) };
  if (r.authority !== null) return { ...r, scheme: base.scheme, path: removeDotSegments(r.path) };
  if (r.path === '') return { ...base, query: r.query ?? base.query, fragment: r.fragment };
  const merged = r.path.startsWith('/') ? r.path : mergePath(base, r.path);
  return { ...base, path: removeDotSegments(merged), query: r.query, fragment: r.fragment };
}

function mergePath(base: UriParts, path: string): string {
  if (base.authority !== null && base.path === '') return `/${path}`;
  return base.path.slice(0, base.path.lastIndexOf('/') + 1) + path;
}
