import { z } from 'zod';
import { pointsOf } from '@/core/shell/points';
import { titleKey } from '@/core/text/normalise';
import { defineCheck, missing } from '@/core/checks/check/check';

export const ungradedActivity = defineCheck({
  id: 'orphan.ungraded-activity',
  title: 'Points without a grade column',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['activities'],
  options: z.object({}),
  messages: { activity: '“{title}” gives {points} points, and no grade column belongs to it' },
  things: ['activity without a grade column', 'activities without a grade column'],
  question: 'Shall this work count for the grade?',
  page: {
    means: 'An assignment or quiz gives points, and no grade column belongs to it by reference or by title.',
    why: 'Students earn points that go nowhere.',
    example: '“Unit 4 check” was renamed after the import, and its column was not.',
    remedy: 'Yours to choose: give it a column, or no points.',
    notWhen: 'It gives no points, or a column of its name exists.',
  },
  notApplicable: (shell) => (shell.gradeColumns.length ? null : missing('no grade columns were given')),
  *find({ shell, facts }) {
    const graded = new Set([...facts.activities.values()].flat());
    const gradedTitles = new Set([...graded].map((i) => titleKey(i.title)));
    for (const item of shell.items) {
      if (item.kind !== 'assignment' && item.kind !== 'quiz') continue;
      const points = pointsOf(shell, item) ?? 0;
      if (points <= 0 || graded.has(item) || gradedTitles.has(titleKey(item.title))) continue;
      yield {
        message: { id: 'activity', params: { title: item.title, points } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [
          { label: 'Points', value: String(points), where: item.ref },
          {
            label: 'Grade column',
            value: item.gradeColumn
              ? `“${item.gradeColumn}” is named and does not exist`
              : 'none by reference or by title',
          },
        ],
        remedy: null,
      };
    }
  },
});
