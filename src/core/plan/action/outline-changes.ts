import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';

/** Where an item stands or shall stand: in which module (null: the top level), and before which of its items (null: last). */
export interface Place {
  readonly into: string | null;
  readonly before: string | null;
}

/** An item with all inside it, as they stand in the list. */
export const blockOf = (shell: Shell, item: Item): Item[] => [
  item,
  ...outlineOf(shell).descendants(item.ref),
];

/** Why nothing can stand in that place; null where it can. `moving` are the refs of what shall stand there, all inside included. */
export function whyNotThere(shell: Shell, place: Place, moving: ReadonlySet<string>): string | null {
  const outline = outlineOf(shell);
  const { into, before } = place;
  const goal = into === null ? null : outline.byRef.get(into as ItemRef);
  if (goal !== null && (!goal || goal.kind !== 'module' || !goal.placed))
    return `the module to move into (${into}) is not in this shell; choose another`;
  if (goal && moving.has(goal.ref)) return `“${goal.title}” can’t be moved into itself`;
  if (before === null) return null;
  const neighbour = outline.byRef.get(before as ItemRef);
  const fits = neighbour?.placed === true && neighbour.parent === into && !moving.has(before);
  return fits ? null : 'the item to stand before is not in that module; choose another place';
}

/** Puts an item, with all inside it, into a place that it can stand in. */
export function putItem(shell: Shell, item: Item, place: Place): Shell {
  const block = outlineOf(shell).byRef.has(item.ref) ? blockOf(shell, item) : [item];
  const going = new Set(block.map((i) => i.ref));
  const rest = shell.items.filter((i) => !going.has(i.ref));
  const parent = place.into as ItemRef | null;
  const at = positionOf(rest, place);
  const [, ...inside] = block;
  const moved: Item = { ...item, placed: true, parent };
  return { ...shell, items: [...rest.slice(0, at), moved, ...inside, ...rest.slice(at)] };
}

/** Puts several items, none inside another, into one place, one behind the other, in one go. */
export function putItems(shell: Shell, items: readonly Item[], place: Place): Shell {
  const outline = outlineOf(shell);
  const parent = place.into as ItemRef | null;
  const blocks = items.flatMap((item) => [
    { ...item, placed: true, parent },
    ...outline.descendants(item.ref),
  ]);
  const going = new Set<string>(blocks.map((item) => item.ref));
  const rest = shell.items.filter((item) => !going.has(item.ref));
  const at = positionOf(rest, place);
  return { ...shell, items: [...rest.slice(0, at), ...blocks, ...rest.slice(at)] };
}

/** Where in the list the place begins: before its neighbour, at its module’s end, or before what is outside. */
function positionOf(items: readonly Item[], { into, before }: Place): number {
  if (before !== null) return items.findIndex((i) => i.ref === before);
  if (into === null) {
    const outside = items.findIndex((i) => !i.placed);
    return outside < 0 ? items.length : outside;
  }
  const inside = new Set<string>([into]);
  let at = items.findIndex((i) => i.ref === into) + 1;
  for (; at < items.length; at += 1) {
    const item = items[at];
    if (!item || item.parent === null || !inside.has(item.parent)) break;
    inside.add(item.ref);
  }
  return at;
}

/** Requirements of what is gone now lead to what took its place, or are dropped with it. */
export function requireInstead(
  items: readonly Item[],
  gone: string,
  instead: string | null,
): readonly Item[] {
  return items.map((item) => {
    if (!item.requires.some((ref) => ref === gone)) return item;
    const led = item.requires.flatMap((ref) => (ref === gone ? (instead ?? []) : ref)) as ItemRef[];
    return { ...item, requires: [...new Set(led)].filter((ref) => ref !== item.ref) };
  });
}
