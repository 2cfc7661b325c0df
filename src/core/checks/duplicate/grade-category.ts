import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { collect } from '@/core/collect';
import type { GradeCategory } from '@/core/shell/model';
import { titleKey } from '@/core/text/normalise';
import { plural } from '@/core/text/plural';
import { defineCheck } from '@/core/checks/check/check';

export const duplicateGradeCategory = defineCheck({
  id: 'duplicate.grade-category',
  title: 'Grade categories twice',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: [],
  options: z.object({}),
  messages: { categories: 'The grade category “{title}” stands {count} times' },
  things: ['grade category that stands again', 'grade categories that stand again'],
  page: {
    means: 'Two or more grade categories have the same title.',
    why: 'Half of the quizzes count in one, half in the other, and each drops its own lowest grade.',
    example: '“Quizzes” came with each of two imports.',
    remedy: 'Moves the columns into the one that stays, then deletes the others.',
    notWhen: 'The titles differ, if only by a number.',
  },
  notApplicable: (shell) => (shell.gradeCategories.length > 1 ? null : 'there are not two grade categories'),
  *find({ shell }) {
    const columns = new Map<string | null, number>();
    for (const c of shell.gradeColumns) columns.set(c.category, (columns.get(c.category) ?? 0) + 1);
    const groups = new Map<string, GradeCategory[]>();
    for (const c of shell.gradeCategories) collect(groups, titleKey(c.title), c);
    for (const group of groups.values()) {
      if (group.length < 2) continue;
      const held = (c: GradeCategory) => columns.get(c.ref) ?? 0;
      const keep = elementAt(
        [...group].sort((a, b) => (b.weight ?? 0) - (a.weight ?? 0) || held(b) - held(a)),
        0,
      );
      const others = group.filter((c) => c !== keep);
      const whyKept = () => {
        if (others.some((c) => (c.weight ?? 0) !== (keep.weight ?? 0))) return 'it has the larger weight';
        return others.every((c) => held(c) === held(keep)) ? 'it stands first' : 'it holds more columns';
      };
      yield {
        message: { id: 'categories', params: { title: keep.title, count: group.length } },
        subjects: group.map((c) => ({ type: 'gradeCategory', ref: c.ref })),
        keep: keep.ref,
        evidence: [
          ...group.map((c) => ({
            label: c === keep ? 'Stays' : 'Goes',
            value: `${c.title}: ${plural(held(c), 'column')}, ${c.weight === null ? 'no weight known' : `weight ${c.weight}`}`,
            where: c.ref,
          })),
          {
            label: 'Why this one stays',
            value: whyKept(),
          },
        ],
        remedy: {
          action: 'merge',
          targets: others.map((c) => c.ref),
          params: { with: Object.fromEntries(others.map((c) => [c.ref, keep.ref])) },
          kind: 'judgement',
        },
      };
    }
  },
});
