import { z } from 'zod';
import { pointsOf } from '@/core/shell/points';
import { plural } from '@/core/text/plural';
import { defineCheck } from '@/core/checks/check/check';

export const undatedActivity = defineCheck({
  id: 'readiness.undated-activity',
  title: 'Graded work without a due date',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['outline'],
  options: z.object({}),
  messages: { activities: '{count} with points and no due date' },
  things: ['activity without a due date', 'activities without a due date'],
  question: 'Is this work meant to be open all term?',
  page: {
    means:
      'Assignments, quizzes and discussions that give points and that students see have no due date. All of them are one finding.',
    why: 'They stand in no to-do list and in no calendar; students find them when it is too late.',
    example: 'After the dates were cleared for the new term, three quizzes got none.',
    remedy: 'Give them dates, or leave this be where the work is open all term.',
    notWhen: 'It gives no points, or students cannot see it.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => i.kind === 'assignment' || i.kind === 'quiz' || i.kind === 'discussion')
      ? null
      : 'there is no assignment, quiz or discussion',
  *find({ shell, facts }) {
    const undated = shell.items.filter(
      (i) =>
        (i.kind === 'assignment' || i.kind === 'quiz' || i.kind === 'discussion') &&
        (pointsOf(shell, i) ?? 0) > 0 &&
        i.due === null &&
        facts.outline.isShown(i),
    );
    if (!undated.length) return;
    yield {
      message: { id: 'activities', params: { count: plural(undated.length, 'activity', 'activities') } },
      subjects: undated.map((i) => ({ type: 'item', ref: i.ref })),
      evidence: undated.slice(0, 30).map((i) => ({
        label: `${pointsOf(shell, i)} points`,
        value: [...(i.placed ? facts.outline.path(i) : ['Outside the outline']), i.title].join(' › '),
        where: i.ref,
      })),
      remedy: null,
    };
  },
});
