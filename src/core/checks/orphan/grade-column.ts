import { z } from 'zod';
import { english } from '@/core/text/english';
import { hasWord } from '@/core/text/whole-word';
import { defineCheck, missing } from '@/core/checks/check/check';

export const gradeColumn = defineCheck({
  id: 'orphan.grade-column',
  title: 'Grade columns of nothing',
  urgency: 'look-at',
  remedyKind: 'judgement',
  needs: ['activities'],
  options: z.object({}),
  messages: { column: 'Nothing is graded in the column “{title}”' },
  things: ['grade column of nothing', 'grade columns of nothing'],
  question: 'Will anything still be marked in these columns?',
  page: {
    means: 'No assignment, quiz or discussion belongs to a grade column, and it has no results.',
    why: 'Students see a column that stays empty and ask what they missed; a total that a former system computed counts twice or not at all.',
    example: '“Sum of everything” came along from the former system; the gradebook here computes its own.',
    remedy: 'Deletes the column. Whether something will still be marked in it only the teacher knows.',
    notWhen:
      'Its title names work that is marked by hand (handMarked in the house rules), it has results, or nobody knows whether it has any.',
  },
  notApplicable: (shell) => (shell.gradeColumns.length ? null : missing('no grade columns were given')),
  *find({ shell, facts, rules }) {
    const { activities } = facts;
    const byHand = (title: string) => rules.handMarked.some((word) => hasWord(title, word));
    for (const column of shell.gradeColumns) {
      if (activities.has(column.ref) || column.results !== 0 || byHand(column.title)) continue;
      yield {
        message: { id: 'column', params: { title: column.title } },
        subjects: [{ type: 'gradeColumn', ref: column.ref }],
        evidence: [
          { label: 'Activities', value: 'none by reference or by title', where: column.ref },
          { label: 'Results', value: '0' },
          ...(column.points === null ? [] : [{ label: 'Points', value: String(column.points) }]),
          ...(english.computedTotal.test(column.title)
            ? [{ label: 'Its name', value: 'says a total that a former system computed' }]
            : []),
        ],
        remedy: { action: 'delete', targets: [column.ref], params: {}, kind: 'judgement' },
      };
    }
  },
});
