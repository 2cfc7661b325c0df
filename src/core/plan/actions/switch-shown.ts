import { z } from 'zod';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { defineAction, freely, setsByRef, withItems, type Action } from '@/core/plan/action/action';

const noParams = z.strictObject({});
const expects = z.strictObject({ shown: z.boolean().nullable() });
const sets = z.strictObject({ shown: z.boolean() });
type Expects = z.output<typeof expects>;
type Sets = z.output<typeof sets>;

/** The two ways of an item's own switch. */
export function switchShown<Name extends string>(way: {
  readonly name: Name;
  readonly label: string;
  readonly toDo: Action<Name, unknown, Expects, Sets>['toDo'];
  readonly nothing: string;
  readonly shown: boolean;
}): Action<Name, z.output<typeof noParams>, Expects, Sets> {
  const { shown } = way;
  return defineAction({
    name: way.name,
    label: way.label,
    title: way.label,
    toDo: way.toDo,
    decides: 'sight',
    isSetting: true,
    lastCounts: true,
    isDivisible: true,
    isOfOutline: true,
    nothing: way.nothing,
    phase: 'change',
    on: ['item'],
    only: 'it is not an item of this shell; only items are shown or hidden',
    joins: true,
    mayShow: shown,
    params: noParams,
    perTarget: [],
    expects,
    sets,
    setsOf: () => ({ shown }),
    paramsOf: () => ({}),
    now: (shell, ref) => {
      const item = outlineOf(shell).byRef.get(ref as ItemRef);
      return item ? { shown: item.shown } : null;
    },
    isSet: (now, wanted) => now.shown === wanted.shown,
    apply: (shell, targets) => {
      const wanted = setsByRef(targets);
      return freely(
        withItems(shell, (item) => {
          const to = wanted.get(item.ref);
          return to === undefined ? item : { ...item, shown: to.shown };
        }),
      );
    },
  });
}
