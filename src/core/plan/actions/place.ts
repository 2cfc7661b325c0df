import { z } from 'zod';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { putItem, whyNotThere } from '@/core/plan/action/outline-changes';
import { defineAction } from '@/core/plan/action/action';
import { placeFor, placeParams, placeSets, writtenPlaces, moveToDo } from './place-params';

/** Places what stands outside the outline into it; it goes by the same ref as before. */
export const place = defineAction({
  name: 'place',
  label: 'Place',
  title: 'Place in the outline',
  toDo: moveToDo,
  decides: 'place',
  isOfOutline: true,
  nothing: 'it stands in the outline already',
  phase: 'change',
  on: ['item'],
  only: 'only pages and activities can be placed in the outline',
  mayShow: true,
  params: placeParams,
  perTarget: ['places', 'neighbours'],
  expects: z.strictObject({ placed: z.boolean() }),
  sets: placeSets,
  setsOf: placeFor,
  paramsOf: writtenPlaces,
  now: (shell, ref) => {
    const item = outlineOf(shell).byRef.get(ref as ItemRef);
    return item ? { placed: item.placed } : null;
  },
  isSet: (now) => now.placed,
  apply: (shell, targets) => {
    const blocked = new Map<string, string>();
    let now = shell;
    for (const { ref, sets } of targets) {
      const item = outlineOf(now).byRef.get(ref as ItemRef);
      const reason =
        item && item.content !== null
          ? whyNotThere(now, sets, new Set([ref]))
          : `“${item?.title ?? ref}” does not stand outside the outline`;
      if (item && reason === null) now = putItem(now, item, sets);
      else blocked.set(ref, reason ?? 'it is not in this shell');
    }
    return { shell: now, blocked };
  },
});
