import { z } from 'zod';
import { onlyBaseline } from '@/core/compare/baseline';
import { countThings } from '@/core/inventory/inventory';
import { defineCheck } from '@/core/checks/check/check';

export const emptiness = defineCheck({
  id: 'readiness.emptiness',
  title: 'Empty',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['counts'],
  options: z.object({}),
  messages: { empty: 'The shell is empty', template: 'The shell holds nothing but the template' },
  things: ['empty shell', 'empty shells'],
  page: {
    means: 'The shell holds nothing at all, or nothing beyond what the baseline brought.',
    why: 'Students will be let into it on the same day as into all others.',
    example: 'The course was planned in another shell, and this one was never filled.',
    remedy: 'Add a package under Bring in.',
    notWhen: 'There is a single thing in it that is not the template’s.',
  },
  notApplicable: () => null,
  *find({ shell, facts }) {
    const things = countThings(facts.counts);
    if (things > 0 && !onlyBaseline(shell)) return;
    yield {
      message: things === 0 ? { id: 'empty', params: {} } : { id: 'template', params: {} },
      subjects: [{ type: 'shell', ref: shell.ref }],
      evidence: [
        {
          label: 'In it',
          value: things === 0 ? 'nothing' : `${things} things, all of them the template’s`,
          where: shell.ref,
        },
      ],
      remedy: null,
    };
  },
});
