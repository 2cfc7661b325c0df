import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import type { Change } from './change';
import { longestRun } from './longest-run';
import type { Pairs } from './pairs';

/** The siblings of one module that the other shell has in another order. */
export interface OtherOrder {
  /** Those of both shells, as the other orders them: what a sort by hand would set. */
  readonly wanted: readonly ItemRef[];
  /** The ones that would have to move. */
  readonly changes: readonly Change[];
}

/** Where siblings that both shells have stand in another order; what moved to another module is no matter of order. */
export function otherOrders(other: Shell, here: Shell, pairs: Pairs): readonly OtherOrder[] {
  const outline = outlineOf(here);
  const { byRef, order } = outlineOf(other);
  const parents: (ItemRef | null)[] = [
    null,
    ...here.items.filter(({ placed }) => placed).map(({ ref }) => ref),
  ];
  return parents.flatMap((parent): OtherOrder[] => {
    const common = outline.children(parent).flatMap((item) => {
      const was = byRef.get(pairs.otherOf('item', item.ref) as ItemRef);
      return was?.placed && isSameParent(was, parent, pairs) ? [{ item, at: order.get(was.ref) ?? 0 }] : [];
    });
    const run = longestRun(common.map(({ at }) => at));
    if (run.size === common.length) return [];
    const wanted = [...common].sort((a, b) => a.at - b.at).map(({ item }) => item.ref);
    const places = new Map(wanted.map((ref, place) => [ref, place]));
    const changes = common.flatMap(({ item }, n): Change[] => {
      if (run.has(n)) return [];
      const place = places.get(item.ref) ?? 0;
      const says = [`${ordinal(n)} of ${common.length} instead of ${ordinal(place)}`];
      const otherRef = pairs.otherOf('item', item.ref) ?? null;
      const path = outline.path(item);
      return [
        {
          kind: 'reordered',
          type: 'item',
          ref: item.ref,
          other: otherRef,
          title: item.title,
          path,
          says,
          days: null,
        },
      ];
    });
    return [{ wanted, changes }];
  });
}

const isSameParent = (was: Item, parent: ItemRef | null, pairs: Pairs): boolean =>
  (was.parent === null ? null : pairs.hereOf('item', was.parent)) === parent;

/** 0 is the first. */
function ordinal(place: number): string {
  const number = place + 1;
  const teen = number % 100 > 10 && number % 100 < 14;
  const ending = teen ? 'th' : (['th', 'st', 'nd', 'rd'][number % 10] ?? 'th');
  return `${number}${ending}`;
}
