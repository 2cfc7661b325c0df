import type { IncomingKey } from './incoming';
import type { Held } from './verdict';

type Line = Pick<Held, 'key' | 'kind' | 'parent'>;

/** Items with all modules around them. */
export function withModulesAround(
  items: readonly Line[],
  inside: ReadonlySet<IncomingKey>,
): ReadonlySet<IncomingKey> {
  const parents = new Map(items.map(({ key, parent }) => [key, parent]));
  const all = new Set(inside);
  for (const key of inside)
    for (let around = parents.get(key) ?? null; around !== null; around = parents.get(around) ?? null)
      all.add(around);
  return all;
}

/** The headings after which, up to the next heading of their module, something comes. */
export function headingsFollowedBy(
  items: readonly Line[],
  comes: (item: Line) => boolean,
): ReadonlySet<IncomingKey> {
  const open = new Map<IncomingKey | null, IncomingKey>();
  const headings = new Set<IncomingKey>();
  for (const item of items) {
    const heading = open.get(item.parent);
    if (item.kind === 'heading') open.set(item.parent, item.key);
    else if (heading !== undefined && comes(item)) headings.add(heading);
  }
  return headings;
}
