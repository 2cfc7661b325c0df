import type { Item, Shell } from './model';
import type { ItemRef } from '@/core/refs/refs';

/** A read-only index of the outline's tree: parents, children, places. */
export interface Outline {
  readonly byRef: ReadonlyMap<ItemRef, Item>;
  /** Position in outline order, 0 first. */
  readonly order: ReadonlyMap<ItemRef, number>;
  children(ref: ItemRef | null): readonly Item[];
  ancestors(item: Item): readonly Item[];
  descendants(ref: ItemRef): readonly Item[];
  /** Titles from the top-level module down to the item's parent. */
  path(item: Item): readonly string[];
  /** True where neither the item nor anything around it is hidden or for staff only. Dates do not count. */
  isShown(item: Item): boolean;
}

const outlines = new WeakMap<readonly Item[], Outline>();

/** The outline of a shell; the same item list gives the same object. */
export function outlineOf(shell: Pick<Shell, 'items'>): Outline {
  const known = outlines.get(shell.items);
  if (known) return known;
  const outline = buildOutline(shell.items);
  outlines.set(shell.items, outline);
  return outline;
}

function buildOutline(items: readonly Item[]): Outline {
  const byRef = new Map<ItemRef, Item>();
  const order = new Map<ItemRef, number>();
  const children = new Map<ItemRef | null, Item[]>();
  items.forEach((item, index) => {
    byRef.set(item.ref, item);
    order.set(item.ref, index);
    const key = item.placed ? item.parent : null;
    if (item.placed) {
      const list = children.get(key);
      if (list) list.push(item);
      else children.set(key, [item]);
    }
  });
  const none: readonly Item[] = [];
  const childrenOf = (ref: ItemRef | null) => children.get(ref) ?? none;
  const ancestors = (item: Item): Item[] => {
    const found: Item[] = [];
    for (let at = item.parent; at !== null;) {
      const parent = byRef.get(at);
      if (!parent) break;
      found.push(parent);
      at = parent.parent;
    }
    return found.reverse();
  };
  const descendants = (ref: ItemRef): Item[] => {
    const found: Item[] = [];
    const visit = (at: ItemRef) => {
      for (const child of childrenOf(at)) {
        found.push(child);
        visit(child.ref);
      }
    };
    visit(ref);
    return found;
  };
  const closed = (item: Item) => item.shown === false || item.staffOnly;
  return {
    byRef,
    order,
    children: childrenOf,
    ancestors,
    descendants,
    path: (item) => ancestors(item).map((a) => a.title),
    isShown: (item) => !closed(item) && !ancestors(item).some(closed),
  };
}
