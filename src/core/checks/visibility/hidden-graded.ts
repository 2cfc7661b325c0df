import { valueFor } from '@/core/sure';
import { z } from 'zod';
import { defineCheck, missing } from '@/core/checks/check/check';
import { hiddenAround, whyClosed } from '@/core/checks/facts/open-doors';

export const hiddenGraded = defineCheck({
  id: 'visibility.hidden-graded',
  title: 'Hidden, and it counts',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: ['outline', 'activities', 'staffStores'],
  options: z.object({}),
  messages: { item: '“{title}” is hidden, and its column counts {points} points' },
  things: ['hidden activity that counts', 'hidden activities that count'],
  counts: 'findings',
  page: {
    means: 'An activity that students cannot see still belongs to a grade column with points.',
    why: 'Nobody can earn the points, and everybody’s total lacks them.',
    example: 'The midterm was hidden in Week 8, and the gradebook waits for 100 points.',
    remedy: 'Shows the activity. Otherwise take its column out of the gradebook.',
    notWhen: 'Another activity of the same column is shown.',
  },
  notApplicable: (shell) => (shell.gradeColumns.length ? null : missing('no grade columns were given')),
  *find({ shell, facts }) {
    const columns = new Map(shell.gradeColumns.map((c) => [c.ref, c]));
    for (const [ref, activities] of facts.activities) {
      const column = valueFor(columns, ref);
      if (!((column.points ?? 0) > 0) || activities.some((a) => facts.outline.isShown(a))) continue;
      for (const item of activities) {
        if (facts.staffStores.holds(item)) continue;
        const closed = hiddenAround(item, facts.outline);
        yield {
          message: { id: 'item', params: { title: item.title, points: column.points ?? 0 } },
          subjects: [
            { type: 'item', ref: item.ref },
            { type: 'gradeColumn', ref: column.ref },
          ],
          evidence: [
            { label: 'Students cannot see it', value: whyClosed(item, facts.outline), where: item.ref },
            { label: 'Grade column', value: `${column.title}, ${column.points} points`, where: column.ref },
          ],
          remedy: closed.length
            ? { action: 'show', targets: closed.map((i) => i.ref), params: {}, kind: 'judgement' }
            : null,
        };
      }
    }
  },
});
