import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/shell/refs';
import { blockOf, placeOf, putItem, whyNotThere } from '../outline-changes';
import { defineAction } from './action';
import { moduleAround, moduleAroundNow } from './module-around';
import { placeFor, placeParams, placeSets, writtenPlaces } from './place-params';

/** Moves items, with all inside them, into a module or to the top level, before a neighbour or to the end. */
export const move = defineAction({
  name: 'move',
  label: 'Move',
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
  isSet: (now, sets, shell, ref) => {
    const place = placeOf(shell, ref);
    return place !== null && now.into === sets.into && place.before === sets.before;
  },
  apply: (shell, targets) => {
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
      if (outline.ancestors(item).some((around) => asked.has(around.ref) && !blocked.has(around.ref)))
        continue;
      const reason = whyNotThere(now, sets, new Set(blockOf(now, item).map((i) => i.ref)));
      if (reason === null) now = putItem(now, item, sets);
      else blocked.set(ref, reason);
    }
    return { shell: now, blocked };
  },
});
