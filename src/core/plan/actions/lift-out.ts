import { z } from 'zod';
import { collect } from '@/core/collect';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { blockOf } from '@/core/plan/action/outline-changes';
import { defineAction } from '@/core/plan/action/action';
import { moduleAround, moduleAroundNow } from './module-around';

/**
 * Lifts items out of their module: they stand right behind it. A module emptied by it goes; where it held several, or
 * something requires it, its title stays as a heading above them.
 */
export const liftOut = defineAction({
  name: 'lift-out',
  label: 'Lift out',
  title: 'Lift out',
  toDo: ({ title }) => ({
    what: `Move what is in “${title}” up a level, then delete “${title}”.`,
    lookFor: 'Its contents are listed in its place.',
  }),
  decides: 'place',
  isDivisible: true,
  isOfOutline: true,
  nothing: 'it stands in no module',
  phase: 'change',
  on: ['item'],
  only: 'only what stands in a module can be lifted out',
  mayShow: true,
  params: z.strictObject({}),
  perTarget: [],
  expects: moduleAround,
  sets: z.strictObject({ lifted: z.literal(true) }),
  setsOf: () => ({ lifted: true as const }),
  paramsOf: () => ({}),
  now: moduleAroundNow,
  isSet: () => false,
  apply: (shell, targets) => {
    const blocked = new Map<string, string>();
    const byModule = new Map<string, string[]>();
    for (const { ref } of targets) {
      const item = outlineOf(shell).byRef.get(ref as ItemRef);
      if (item?.placed && item.parent !== null) collect(byModule, item.parent as string, ref);
      else blocked.set(ref, `“${item?.title ?? ref}” stands in no module`);
    }
    let now = shell;
    for (const [module, refs] of byModule) now = liftOf(now, module, new Set(refs));
    return { shell: now, blocked };
  },
});

function liftOf(shell: Shell, moduleRef: string, refs: ReadonlySet<string>): Shell {
  const outline = outlineOf(shell);
  const around = outline.byRef.get(moduleRef as ItemRef);
  if (!around) return shell;
  const inside = outline.children(around.ref);
  const lifted = inside.filter((child) => refs.has(child.ref));
  const moving = new Set(lifted.flatMap((item) => blockOf(shell, item)));
  const whole = blockOf(shell, around);
  const block = lifted.flatMap((item) =>
    blockOf(shell, item).map((i) => (i === item ? { ...i, parent: around.parent } : i)),
  );
  const start = shell.items.indexOf(around);
  const isEmptied = inside.length === lifted.length && around.content === null;
  const left = isEmptied ? leftOf(shell, around, lifted.length) : whole.filter((item) => !moving.has(item));
  const items = [
    ...shell.items.slice(0, start),
    ...left,
    ...block,
    ...shell.items.slice(start + whole.length),
  ];
  return { ...shell, items };
}

/** What is left of an emptied module: nothing, or its title as a heading. */
function leftOf(shell: Shell, emptied: Item, lifted: number): Item[] {
  const isRequired = shell.items.some((item) => item.requires.includes(emptied.ref));
  return lifted > 1 || isRequired ? [{ ...emptied, kind: 'heading' }] : [];
}
