import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import type { Shell } from '@/core/shell/model';
import { blockOf, putItem, putItems, whyNotThere, type Place } from '@/core/plan/action/outline-changes';
import { defineAction, freely, type Applied, type Target } from '@/core/plan/action/action';
import { moduleAround, moduleAroundNow } from './module-around';
import { placeFor, placeParams, placeSets, writtenPlaces, moveToDo } from './place-params';

/** Moves items, with all inside them, into a module or to the top level, before a neighbour or to the end. */
export const move = defineAction({
  name: 'move',
  label: 'Move',
  title: 'Move',
  toDo: moveToDo,
  decides: 'place',
  isSetting: true,
  lastCounts: true,
  isDivisible: true,
  isOfOutline: true,
  nothing: 'it already stands there',
  phase: 'change',
  on: ['item'],
  only: 'only what stands in the outline can be moved',
  mayShow: true,
  params: placeParams,
  perTarget: ['places', 'neighbours'],
  expects: moduleAround,
  sets: placeSets,
  setsOf: placeFor,
  paramsOf: writtenPlaces,
  now: moduleAroundNow,
  // One that stands there already is still one of those that shall stand there one behind the other.
  isSet: () => false,
  apply: (shell, targets) => {
    const together = movedTogether(shell, targets);
    if (together) return freely(together);
    // What is held back has no bearing on the others: they are moved as if they alone had been named.
    const blocked = new Map<string, string>();
    for (;;) {
      const moved = movedOneByOne(
        shell,
        targets.filter((target) => !blocked.has(target.ref)),
      );
      if (moved.blocked.size === 0) return { shell: moved.shell, blocked };
      for (const [ref, reason] of moved.blocked) blocked.set(ref, reason);
    }
  },
});

function movedOneByOne(shell: Shell, targets: readonly Target<unknown, Place>[]): Applied {
  const blocked = new Map<string, string>();
  const asked = new Set(targets.map((target) => target.ref));
  let now = shell;
  for (const { ref, sets } of targets) {
    const outline = outlineOf(now);
    const item = outline.byRef.get(ref as ItemRef);
    if (!item?.placed) {
      blocked.set(ref, `“${item?.title ?? ref}” does not stand in the outline`);
      continue;
    }
    // What stands inside another moved item goes along with it.
    if (outline.ancestors(item).some((around) => asked.has(around.ref) && !blocked.has(around.ref))) continue;
    const reason = whyNotThere(now, sets, new Set(blockOf(now, item).map((i) => i.ref)));
    if (reason === null) now = putItem(now, item, sets);
    else blocked.set(ref, reason);
  }
  return { shell: now, blocked };
}

/** Items that all go to one place, none of them around another or around the place; null where it takes one by one. */
function movedTogether(shell: Shell, targets: readonly Target<unknown, Place>[]): Shell | null {
  const [first] = targets;
  if (!first || targets.length < 2) return null;
  const outline = outlineOf(shell);
  const { into, before } = first.sets;
  const refs = new Set<string>(targets.map((target) => target.ref));
  const items = targets.map((target) => outline.byRef.get(target.ref as ItemRef));
  const isOnePlace = targets.every(({ sets }) => sets.into === into && sets.before === before);
  if (!isOnePlace || refs.size < targets.length) return null;
  const moving = new Set<string>();
  for (const item of items) {
    if (!item?.placed || outline.ancestors(item).some((around) => refs.has(around.ref))) return null;
    for (const inside of blockOf(shell, item)) moving.add(inside.ref);
  }
  if (whyNotThere(shell, first.sets, moving) !== null) return null;
  return putItems(
    shell,
    items.filter((item) => item !== undefined),
    first.sets,
  );
}
