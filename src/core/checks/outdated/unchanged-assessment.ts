import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { firstReason } from '@/core/checks/check/first-reason';
import { pointsOf } from '@/core/shell/points';
import { plural } from '@/core/text/plural';
import { dateOf, spellDate } from '@/core/dates/local-date';
import { defineCheck, missing } from '@/core/checks/check/check';

export const unchangedAssessment = defineCheck({
  id: 'outdated.unchanged-assessment',
  title: 'The same tasks as last time',
  urgency: 'tidy',
  remedyKind: 'none',
  needs: [],
  options: z.object({}),
  messages: { tasks: '{count} with points not changed since the previous term' },
  things: [
    'assignment or quiz unchanged since last term',
    'assignments and quizzes unchanged since last term',
  ],
  question: 'Shall these tasks be the same as last time?',
  page: {
    means:
      'Assignments and quizzes that give points were not changed since before the previous term ended. All of them are one finding.',
    why: 'The same tasks have the same answers, and last term’s students have both.',
    example: 'Eleven quizzes, last changed in September 2025.',
    remedy: 'None is proposed: look which ones need new numbers.',
    notWhen: 'The previous term is not known, or nobody told when they were changed.',
  },
  notApplicable: (shell) =>
    firstReason(
      [!shell.previousTerm?.end, missing('the previous term is not known')],
      [
        !shell.items.some((i) => i.modified && (i.kind === 'assignment' || i.kind === 'quiz')),
        'nobody told when assignments and quizzes were changed',
      ],
    ),
  *find({ shell }) {
    const end = shell.previousTerm?.end;
    if (!end) return;
    const same = shell.items.flatMap((item) => {
      const { kind, modified } = item;
      const isTask = kind === 'assignment' || kind === 'quiz';
      if (!isTask || modified === null || (pointsOf(shell, item) ?? 0) <= 0) return [];
      const changed = dateOf(modified);
      return changed < end ? [{ item, changed }] : [];
    });
    if (!same.length) return;
    yield {
      message: {
        id: 'tasks',
        params: { count: plural(same.length, 'assignment or quiz', 'assignments and quizzes') },
      },
      subjects: same.map(({ item }) => ({ type: 'item', ref: item.ref })),
      evidence: [
        { label: 'The previous term ended', value: spellDate(end), where: elementAt(same, 0).item.ref },
        ...same.slice(0, 30).map(({ item, changed }) => ({
          label: 'Last changed',
          value: `${item.title}: ${spellDate(changed)}`,
          where: item.ref,
        })),
      ],
      remedy: null,
    };
  },
});
