import { givenFor } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { categoryOfShell } from '@/core/shell/find-things';
import { outlineOf } from '@/core/shell/outline';
import type { Item, Shell } from '@/core/shell/model';
import type { ItemRef } from '@/core/refs/refs';
import { blockOf, requireInstead } from '@/core/plan/action/outline-changes';
import { refsOf } from '@/core/plan/action/refs-of-shell';
import { defineAction, recordOf } from '@/core/plan/action/action';

/**
 * Makes things a part of others: a module’s items go to the end of the other one, a grade category’s columns into the
 * other one. What is emptied goes, and what required it requires the other. Weights stay as they are.
 */
export const merge = defineAction({
  name: 'merge',
  label: 'Merge',
  title: 'Merge',
  toDo: ({ title, sets, titleOf }) => ({
    what: `Move everything in “${title}” into “${titleOf(sets.with)}”, then delete “${title}”.`,
    lookFor: `Only “${titleOf(sets.with)}” is listed.`,
  }),
  isOfOutline: true,
  nothing: 'it is a part of it already',
  phase: 'change',
  on: ['item', 'gradeCategory'],
  only: 'only modules and grade categories can be merged',
  mayShow: true,
  params: z.strictObject({ with: refRecord(z.string()) }),
  perTarget: ['with'],
  expects: z.strictObject({ type: z.string() }),
  sets: z.strictObject({ with: z.string() }),
  setsOf: (params, ref) => givenFor('with', params.with, ref),
  paramsOf: (targets) => ({ with: recordOf(targets, (sets) => sets.with) }),
  now: (shell, ref) => {
    const type = refsOf(shell).typeOf(ref);
    return type === null ? null : { type };
  },
  isSet: () => false,
  apply: (shell, targets) => {
    const blocked = new Map<string, string>();
    const going = new Set(targets.map((target) => target.ref));
    let now = shell;
    for (const { ref, sets } of targets) {
      const next = going.has(sets.with)
        ? 'what it should become a part of goes itself; choose another'
        : mergeOne(now, ref, sets.with);
      if (typeof next === 'string') blocked.set(ref, next);
      else now = next;
    }
    return { shell: now, blocked };
  },
});

const mergeOne = (shell: Shell, from: string, to: string): Shell | string =>
  refsOf(shell).typeOf(from) === 'gradeCategory'
    ? mergeCategory(shell, from, to)
    : mergeModule(shell, from, to);

function mergeCategory(shell: Shell, from: string, to: string): Shell | string {
  const goal = categoryOfShell(shell, to);
  if (!goal || from === to) return 'the category to become a part of is not there; choose another';
  return {
    ...shell,
    gradeColumns: shell.gradeColumns.map((c) => (c.category === from ? { ...c, category: goal.ref } : c)),
    gradeCategories: shell.gradeCategories.filter((c) => c.ref !== from),
  };
}

function mergeModule(shell: Shell, from: string, to: string): Shell | string {
  const outline = outlineOf(shell);
  const [source, goal] = [outline.byRef.get(from as ItemRef), outline.byRef.get(to as ItemRef)];
  const fits = source?.kind === 'module' && source.content === null && goal?.kind === 'module' && goal.placed;
  if (!fits || source === goal || blockOf(shell, source).includes(goal))
    return 'the module to become a part of is not there, or stands inside; choose another';
  const inside = outline
    .descendants(source.ref)
    .map((item) => (item.parent === source.ref ? { ...item, parent: goal.ref } : item));
  const moving = new Set<Item>(blockOf(shell, source));
  const rest = shell.items.filter((item) => !moving.has(item));
  const last = blockOf(shell, goal).findLast((item) => !moving.has(item)) ?? goal;
  const at = rest.indexOf(last) + 1;
  const items = [...rest.slice(0, at), ...inside, ...rest.slice(at)];
  return { ...shell, items: requireInstead(items, source.ref, goal.ref) };
}
