import { z } from 'zod';
import { defineCheck } from '@/core/checks/check/check';

export const termDates = defineCheck({
  id: 'readiness.term-dates',
  title: 'The term’s dates are not known',
  urgency: 'fix-first',
  remedyKind: 'none',
  needs: [],
  options: z.object({}),
  messages: {
    both: 'Nobody told when the term begins and ends',
    start: 'Nobody told when the term begins',
    end: 'Nobody told when the term ends',
  },
  things: ['shell without its term’s dates', 'shells without their term’s dates'],
  page: {
    means: 'The term’s first or last day is missing.',
    why: 'Without them no date can be called too early or too late: half of the checks have nothing to say.',
    example: 'The package was read without its roster, and no dates were typed in.',
    remedy: 'Give the term’s first and last day where you bring the shell in.',
    notWhen: 'Both days are known.',
  },
  notApplicable: () => null,
  *find({ shell }) {
    const { start, end } = shell.term;
    if (start && end) return;
    const oneMissing = start ? 'end' : 'start';
    const missing = !start && !end ? 'both' : oneMissing;
    yield {
      message: { id: missing, params: {} },
      subjects: [{ type: 'shell', ref: shell.ref }],
      evidence: [
        { label: 'First day', value: start ?? 'not known', where: shell.ref },
        { label: 'Last day', value: end ?? 'not known' },
      ],
      remedy: null,
    };
  },
});
