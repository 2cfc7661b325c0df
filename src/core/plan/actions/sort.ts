import { append } from '@/core/collect';
import { z } from 'zod';
import type { Item, Shell } from '@/core/shell/model';
import { outlineOf } from '@/core/shell/outline';
import type { ItemRef } from '@/core/refs/refs';
import { blockOf } from '@/core/plan/action/outline-changes';
import { defineAction } from '@/core/plan/action/action';
import { moduleAround, moduleAroundNow } from './module-around';

/** Sorts siblings into the order of the targets, in the places that they hold now. A heading takes along what stands below it. */
export const sort = defineAction({
  name: 'sort',
  label: 'Sort',
  title: 'Sort',
  toDo: ({ title }) => ({
    what: `Put “${title}” in its place by number among what stands around it.`,
    lookFor: 'The numbers rise from top to bottom.',
  }),
  isOfOutline: true,
  nothing: 'they stand in this order already',
  phase: 'change',
  on: ['item'],
  only: 'only what stands in the outline can be sorted',
  params: z.strictObject({}),
  perTarget: [],
  expects: moduleAround,
  sets: z.strictObject({ sorted: z.literal(true) }),
  setsOf: () => ({ sorted: true as const }),
  paramsOf: () => ({}),
  now: moduleAroundNow,
  isSet: () => false,
  apply: (shell, targets) => {
    const outline = outlineOf(shell);
    const members = targets.flatMap(({ ref }) => outline.byRef.get(ref as ItemRef) ?? []);
    const areSiblings = members.every((item) => item.placed && item.parent === members[0]?.parent);
    if (areSiblings) return { shell: sorted(shell, members), blocked: new Map() };
    const reason = 'they do not stand side by side any more; sort by hand';
    return { shell, blocked: new Map(targets.map(({ ref }) => [ref, reason])) };
  },
});

function sorted(shell: Shell, members: readonly Item[]): Shell {
  const runs = new Map(members.map((member) => [member, runOf(shell, member, new Set(members))]));
  const moving = new Set([...runs.values()].flat());
  const waiting = [...members];
  const items: Item[] = [];
  for (const item of shell.items) {
    const next = runs.has(item) ? waiting.shift() : undefined;
    if (next) append(items, runs.get(next) ?? []);
    else if (!moving.has(item)) items.push(item);
  }
  return { ...shell, items };
}

/** A member with all inside it; for a heading, also the siblings below it up to the next one. */
function runOf(shell: Shell, member: Item, members: ReadonlySet<Item>): Item[] {
  const run = [member];
  if (member.kind === 'heading') {
    const siblings = outlineOf(shell).children(member.parent);
    for (const next of siblings.slice(siblings.indexOf(member) + 1)) {
      if (next.kind === 'heading' || next.kind === 'module' || members.has(next)) break;
      run.push(next);
    }
  }
  return run.flatMap((item) => blockOf(shell, item));
}
