import type { FilePath } from '@/core/refs/refs';
import { escapeAttribute } from '@/core/text/escape-markup';
import type { AddressEdge } from './graph';
import { encodePath } from './package-paths';

const token = /^\s*(?:\$|%24)[A-Za-z0-9_-]+(?:\$|%24)/;

/** Spells the way to a file from where the address stands, in the manner of the address that it replaces. */
export function spellAddress(
  goal: FilePath,
  at: FilePath,
  edge: Pick<AddressEdge, 'token' | 'tail' | 'context'>,
  raw: string,
): string {
  const spelled = edge.token ? `${token.exec(raw)?.[0] ?? ''}/${encodePath(goal)}` : relativePath(at, goal);
  const whole = spelled + encodeURI(edge.tail).replace(/%25([0-9a-f]{2})/gi, '%$1');
  return edge.context === 'html'
    ? escapeAttribute(whole)
    : whole.replace(/[()'"]/g, (c) => `%${c.charCodeAt(0).toString(16)}`);
}

/** A relative reference from one package path to another (RFC 3986, 4.2), percent-encoded. */
export function relativePath(at: FilePath, goal: FilePath): string {
  const from = at.split('/').slice(0, -1);
  const to = goal.split('/');
  let shared = 0;
  while (shared < from.length && shared < to.length - 1 && from[shared] === to[shared]) shared += 1;
  const path = '../'.repeat(from.length - shared) + encodePath(to.slice(shared).join('/'));
  // A first segment with a colon would be read as a scheme.
  return /^[^/]*:/.test(path) ? `./${path}` : path;
}
