import { z } from 'zod';
import { firstReason } from '../first-reason';
import { pointsOf } from '@/core/shell/points';
import { plural } from '@/core/text/plural';
import { dateOf, spellDate } from '@/core/time/local-date';
import { defineCheck } from '../check';

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
      [!shell.previousTerm?.end, 'the previous term is not known'],
      [
        !shell.items.some((i) => i.modified && (i.kind === 'assignment' || i.kind === 'quiz')),
        'nobody told when assignments and quizzes were changed',
      ],
    ),
  *find({ shell }) {
    const end = shell.previousTerm?.end;
    if (!end) return;
    const same = shell.items.filter(
      (i) =>
        (i.kind === 'assignment' || i.kind === 'quiz') &&
        i.modified !== null &&
        dateOf(i.modified) < end &&
        (pointsOf(shell, i) ?? 0) > 0,
    );
    if (!same.length) return;
    yield {
      message: {
        id: 'tasks',
        params: { count: plural(same.length, 'assignment or quiz', 'assignments and quizzes') },
      },
      subjects: same.map((i) => ({ type: 'item', ref: i.ref })),
      evidence: [
        { label: 'The previous term ended', value: spellDate(end), where: same[0]!.ref },
        ...same.slice(0, 30).map((i) => ({
          label: 'Last changed',
          value: `${i.title}: ${spellDate(dateOf(i.modified!))}`,
          where: i.ref,
        })),
      ],
      remedy: null,
    };
  },
});
