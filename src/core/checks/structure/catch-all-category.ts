import { elementAt } from '@/core/sure';
import { z } from 'zod';
import type { GradeCategory, GradeColumn, Item } from '@/core/shell/model';
import { english } from '@/core/text/english';
import { wholeWords } from '@/core/text/whole-words';
import { titleKey } from '@/core/text/normalise';
import { plural } from '@/core/text/plural';
import { defineCheck, missing } from '@/core/checks/check/check';

export const catchAllCategory = defineCheck({
  id: 'structure.catch-all-category',
  title: 'Graded work in a catch-all category',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: ['activities'],
  options: z.object({}),
  messages: { category: '{count} in the category “{title}”, which no one chose' },
  things: ['grade column in a catch-all category', 'grade columns in a catch-all category'],
  page: {
    means:
      'A grade column, or graded work, is in a category that is named imported, uncategorised, default or as the house rules say.',
    why: 'What is in no category of yours gets no weight of yours, and does not reach the records system.',
    example: '“Quiz 3” is in “Imported”, and a category “Quizzes” exists.',
    remedy: 'Moves each column into the category that fits its name and kind.',
    notWhen: 'The category holds nothing, which another check says.',
  },
  notApplicable: (shell) =>
    shell.gradeColumns.length || shell.items.some((i) => i.gradeCategory)
      ? null
      : missing('no grade columns were given'),
  *find({ shell, facts, rules }) {
    const isCatchAll = wholeWords(rules.catchAllCategories);
    const { activities } = facts;
    const others = shell.gradeCategories.filter((c) => !isCatchAll(c.title));
    for (const category of shell.gradeCategories) {
      if (!isCatchAll(category.title)) continue;
      const columns = shell.gradeColumns.filter((c) => c.category === category.ref);
      if (!columns.length) continue;
      const proposed = new Map(
        columns.map((c) => [c, categoryFor(c, activities.get(c.ref) ?? [], others)] as const),
      );
      const certain = [...proposed].flatMap(([c, to]) => (to ? [[c.ref, to.ref] as const] : []));
      yield {
        message: {
          id: 'category',
          params: { count: plural(columns.length, 'grade column'), title: category.title },
        },
        subjects: columns.map((c) => ({ type: 'gradeColumn', ref: c.ref })),
        evidence: columns.map((c) => {
          const to = proposed.get(c);
          const value = to ? `would move to “${to.title}”` : 'no category fits its name; choose one';
          return { label: c.title, value, where: c.ref };
        }),
        remedy: certain.length
          ? {
              action: 'set-category',
              targets: certain.map(([ref]) => ref),
              params: { categories: Object.fromEntries(certain) },
              kind: 'judgement',
            }
          : null,
      };
    }
    const known = new Set(shell.gradeCategories.map((c) => titleKey(c.title)));
    for (const item of shell.items) {
      if (
        item.gradeCategory === null ||
        known.has(titleKey(item.gradeCategory)) ||
        !isCatchAll(item.gradeCategory)
      )
        continue;
      yield {
        message: { id: 'category', params: { count: `“${item.title}”`, title: item.gradeCategory } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [{ label: 'Category', value: item.gradeCategory, where: item.ref }],
        remedy: null,
      };
    }
  },
});

const stem = (word: string) =>
  word
    .toLowerCase()
    .replace(/(?:zes|es|s)$/, '')
    .replace(/ie$/, 'y');

/** The category whose name shares a word with the column's, else one named after the kind of its activity; null where none or several fit. */
function categoryFor(
  column: GradeColumn,
  activities: readonly Item[],
  categories: readonly GradeCategory[],
): GradeCategory | null {
  const words = (text: string) => new Set((text.toLowerCase().match(/\p{L}{3,}/gu) ?? []).map(stem));
  const columnWords = words(column.title);
  const byName = categories.filter((c) => [...words(c.title)].some((w) => columnWords.has(w)));
  if (byName.length === 1) return elementAt(byName, 0);
  const kinds = activities.flatMap((a) => english.kindWords[a.kind] ?? []);
  const byKind = (byName.length ? byName : categories).filter((c) =>
    [...words(c.title)].some((w) => kinds.includes(w)),
  );
  return byKind.length === 1 ? elementAt(byKind, 0) : null;
}
