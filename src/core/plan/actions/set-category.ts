import { givenFor } from '@/core/entries';
import { z } from 'zod';
import { refRecord } from '@/core/schema/ref-record';
import { categoryOfShell, columnOfShell } from '@/core/shell/find-things';
import { defineAction, mapped, recordOf } from '@/core/plan/action/action';

/** Puts grade columns into other categories. */
export const setCategory = defineAction({
  name: 'set-category',
  label: 'Move',
  title: 'Change category',
  toDo: ({ title, sets, titleOf }) => ({
    what: `Move the grade column “${title}” into the category “${titleOf(sets.category)}”.`,
    lookFor: 'The gradebook lists it there.',
  }),
  decides: 'category',
  isSetting: true,
  lastCounts: true,
  isDivisible: true,
  nothing: 'it is in that category already',
  phase: 'change',
  on: ['gradeColumn'],
  only: 'only grade columns are in a category',
  joins: true,
  params: z.strictObject({ categories: refRecord(z.string()) }),
  perTarget: ['categories'],
  expects: z.strictObject({ category: z.string().nullable() }),
  sets: z.strictObject({ category: z.string() }),
  setsOf: (params, ref) => givenFor('category', params.categories, ref),
  paramsOf: (targets) => ({ categories: recordOf(targets, (sets) => sets.category) }),
  now: (shell, ref) => {
    const column = columnOfShell(shell, ref);
    return column ? { category: column.category } : null;
  },
  isSet: (now, sets) => now.category === sets.category,
  apply: (shell, targets) => {
    const blocked = new Map<string, string>();
    const wanted = new Map<string, NonNullable<(typeof shell.gradeColumns)[number]['category']>>();
    for (const { ref, sets } of targets) {
      const category = categoryOfShell(shell, sets.category);
      if (category) wanted.set(ref, category.ref);
      else blocked.set(ref, `the category “${sets.category}” is not in this shell; choose another`);
    }
    const gradeColumns = mapped(shell.gradeColumns, (column) => {
      const category = wanted.get(column.ref);
      return category === undefined ? column : { ...column, category };
    });
    return { shell: { ...shell, gradeColumns }, blocked };
  },
});
