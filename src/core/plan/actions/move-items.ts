import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/shell/refs';
import type { Edit } from '../edits';
import type { Step } from '../step';

export type MoveResult = { readonly edits: readonly Edit[] } | { readonly blocked: string };

/** Moves items, with all inside them, into a module (null: the top level), before one of its items or to its end. */
export function moveItems(shell: Shell, step: Step): MoveResult {
  const outline = outlineOf(shell);
  const into = (step.params.into ?? null) as ItemRef | null;
  const before = (step.params.before ?? null) as ItemRef | null;
  const target = into === null ? null : outline.byRef.get(into);
  if (into !== null && (!target || target.kind !== 'module' || !target.placed))
    return { blocked: `the module to move into (${into}) is not in this shell; choose another` };
  const moving = new Set<string>();
  for (const ref of step.targets) {
    const item = outline.byRef.get(ref as ItemRef);
    if (!item?.placed) return { blocked: `“${item?.title ?? ref}” does not stand in the outline` };
    moving.add(ref);
  }
  // What stands inside another moved item goes along with it.
  const roots = step.targets
    .map((ref) => outline.byRef.get(ref as ItemRef)!)
    .filter((item) => !outline.ancestors(item).some((a) => moving.has(a.ref)));
  const going = new Set<ItemRef>(
    roots.flatMap((r) => [r.ref, ...outline.descendants(r.ref).map((d) => d.ref)]),
  );
  if (into !== null && going.has(into)) return { blocked: `“${target?.title}” can’t be moved into itself` };
  if (before !== null && (going.has(before) || outline.byRef.get(before)?.parent !== into))
    return { blocked: 'the item to stand before is not in that module; choose another place' };

  const rest = shell.items.filter((i) => !going.has(i.ref));
  const block: Item[] = roots.flatMap((r) => [{ ...r, parent: into }, ...outline.descendants(r.ref)]);
  const at = placeIn(rest, into, before);
  const next = [...rest.slice(0, at), ...block, ...rest.slice(at)];
  if (next.every((item, i) => item.ref === shell.items[i]?.ref && item.parent === shell.items[i]?.parent))
    return { edits: [] };
  const old = shell.items.map((item, i) => ({ item, i })).filter(({ item }) => going.has(item.ref));
  return {
    edits: [
      { op: 'remove', list: 'items', at: old.map((o) => o.i), things: old.map((o) => o.item) },
      { op: 'insert', list: 'items', at: block.map((_, k) => at + k), things: block },
    ],
  };
}

function placeIn(items: readonly Item[], into: ItemRef | null, before: ItemRef | null): number {
  if (before !== null) return items.findIndex((i) => i.ref === before);
  if (into === null) {
    const outside = items.findIndex((i) => !i.placed);
    return outside < 0 ? items.length : outside;
  }
  const inside = new Set<ItemRef>([into]);
  let at = items.findIndex((i) => i.ref === into) + 1;
  for (; at < items.length; at += 1) {
    const item = items[at]!;
    if (item.parent === null || !inside.has(item.parent)) break;
    inside.add(item.ref);
  }
  return at;
}
