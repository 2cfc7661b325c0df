import { z } from 'zod';
import { defineCheck } from '@/core/checks/check/check';

export const weights = defineCheck({
  id: 'readiness.weights',
  title: 'Weights that are not 100',
  urgency: 'fix-first',
  remedyKind: 'none',
  needs: [],
  options: z.object({}),
  messages: { sum: 'The weights of the grade categories sum up to {sum}, not to 100' },
  things: ['shell whose weights are not 100', 'shells whose weights are not 100'],
  page: {
    means: 'The weights of the grade categories do not sum up to 100.',
    why: 'Then no grade is right, and students work it out before you do.',
    example: '40, 30 and 20: the category “Field work” lost its weight in the copy.',
    remedy: 'Set the weights right in the gradebook.',
    notWhen: 'No category has a weight: then the grades are counted in points.',
  },
  notApplicable: (shell) =>
    shell.gradeCategories.some((c) => (c.weight ?? 0) > 0) ? null : 'no grade category has a weight',
  *find({ shell }) {
    const sum = Math.round(shell.gradeCategories.reduce((n, c) => n + (c.weight ?? 0), 0) * 100) / 100;
    // Weights may also be given as shares of one.
    if (Math.abs(sum - 100) < 0.05 || Math.abs(sum - 1) < 0.0005) return;
    yield {
      message: { id: 'sum', params: { sum } },
      subjects: [{ type: 'shell', ref: shell.ref }],
      evidence: shell.gradeCategories.map((c) => ({
        label: c.title,
        value: c.weight === null ? 'no weight known' : String(c.weight),
        where: c.ref,
      })),
      remedy: null,
    };
  },
});
