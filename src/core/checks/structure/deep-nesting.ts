import { z } from 'zod';
import { plural } from '@/core/text/plural';
import { defineCheck } from '@/core/checks/check/check';

export const deepNesting = defineCheck({
  id: 'structure.deep-nesting',
  title: 'Nested too deep',
  urgency: 'tidy',
  remedyKind: 'judgement',
  needs: ['outline'],
  options: z.object({
    levels: z.int().min(1).default(3).describe('So many levels are allowed; a top-level item is on level 1'),
  }),
  messages: { deep: '{count} in “{title}” stand on level {level}' },
  things: ['item nested too deep', 'items nested too deep'],
  page: {
    means: 'An item stands more than three levels deep in the outline.',
    why: 'On a telephone students open four folders one inside the other and have forgotten where they are.',
    example: 'Week 3 › Field › Hand-outs › Site A › Checklist.',
    remedy:
      'Lifts the items out by one level. Where several go, the folder’s title stays as a heading above them.',
    notWhen: 'The house rules allow more levels.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => i.parent !== null) ? null : 'nothing stands inside anything',
  *find({ shell, facts, options }) {
    for (const parent of shell.items) {
      if (!parent.placed) continue;
      const level = facts.outline.ancestors(parent).length + 1;
      if (level < options.levels) continue;
      const deep = facts.outline.children(parent.ref);
      if (!deep.length) continue;
      yield {
        message: {
          id: 'deep',
          params: { count: plural(deep.length, 'item'), title: parent.title, level: level + 1 },
        },
        subjects: deep.map((i) => ({ type: 'item', ref: i.ref })),
        evidence: [
          {
            label: 'Stands at',
            value: [...facts.outline.path(parent), parent.title].join(' › '),
            where: parent.ref,
          },
        ],
        remedy: { action: 'lift-out', targets: deep.map((i) => i.ref), params: {}, kind: 'judgement' },
        batch: '',
      };
    }
  },
});
