import { z } from 'zod';
import type { GradeCategory, Shell } from '@/core/shell/model';
import { defineCheck, missing } from '@/core/checks/check/check';

export const emptyGradeCategory = defineCheck({
  id: 'orphan.empty-grade-category',
  title: 'Empty grade categories',
  urgency: 'look-at',
  remedyKind: 'depends',
  needs: [],
  options: z.object({}),
  messages: {
    one: 'The grade category “{title}” has no columns in it',
    many: '{count} grade categories have no columns in them',
    weighted: 'The grade category “{title}” counts {weight} and has no columns in it',
    weightedMany: '{count} grade categories that count have no columns in them',
  },
  things: ['empty grade category', 'empty grade categories'],
  page: {
    means:
      'A grade category has no grade column in it. Several of them are one finding; those with a weight are another.',
    why: 'Every copy brings categories along. They crowd the gradebook, and one with a weight takes its share of the grade although nothing can be earned in it.',
    example: 'A converted course has “Imported”, “Imported (2)” and “Blogs”, and all three hold nothing.',
    remedy:
      'Deletes the empty categories. With a weight it is a matter of judgement, since the weights of the others change.',
    notWhen: 'There is a column in it, with results or without.',
  },
  notApplicable: (shell) => (shell.gradeCategories.length ? null : missing('no grade categories were given')),
  *find({ shell }) {
    const used = new Set<string | null>(shell.gradeColumns.map((c) => c.category));
    const empty = shell.gradeCategories.filter((c) => !used.has(c.ref));
    const light = empty.filter((c) => (c.weight ?? 0) === 0);
    const heavy = empty.filter((c) => (c.weight ?? 0) > 0);
    if (light.length) {
      const [first] = light as [GradeCategory];
      yield {
        message:
          light.length === 1
            ? { id: 'one', params: { title: first.title } }
            : { id: 'many', params: { count: light.length } },
        subjects: light.map((c) => ({ type: 'gradeCategory', ref: c.ref })),
        evidence: light.map((c) => ({
          label: c.title,
          value: c.weight === null ? 'no columns, no weight known' : 'no columns, weight 0',
          where: c.ref,
        })),
        remedy: { action: 'delete', targets: light.map((c) => c.ref), params: {}, kind: 'safe' },
        batch: 'without weight',
      };
    }
    if (heavy.length) {
      const [first] = heavy as [GradeCategory];
      yield {
        message:
          heavy.length === 1
            ? { id: 'weighted', params: { title: first.title, weight: first.weight ?? 0 } }
            : { id: 'weightedMany', params: { count: heavy.length } },
        subjects: heavy.map((c) => ({ type: 'gradeCategory', ref: c.ref })),
        evidence: [
          ...heavy.map((c) => ({ label: c.title, value: `no columns, weight ${c.weight}`, where: c.ref })),
          { label: 'Weights', value: weightsWithout(shell, new Set(heavy.map((c) => c.ref))) },
        ],
        remedy: { action: 'delete', targets: heavy.map((c) => c.ref), params: {}, kind: 'judgement' },
        batch: 'with weight',
      };
    }
  },
});

/** What the weights sum up to now, and without the empty ones. */
function weightsWithout(shell: Shell, going: ReadonlySet<string>): string {
  const sum = (list: readonly GradeCategory[]) =>
    Math.round(list.reduce((n, c) => n + (c.weight ?? 0), 0) * 100) / 100;
  return `${sum(shell.gradeCategories)} in all now, ${sum(shell.gradeCategories.filter((c) => !going.has(c.ref)))} without`;
}
