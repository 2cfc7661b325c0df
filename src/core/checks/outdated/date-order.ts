import { z } from 'zod';
import { dateLabels } from '@/core/checks/check/date-labels';
import type { Item } from '@/core/shell/model';
import { dateOf, spellDate, timeOf } from '@/core/dates/local-date';
import { defineCheck } from '@/core/checks/check/check';

export const dateOrder = defineCheck({
  id: 'outdated.date-order',
  title: 'Dates in the wrong order',
  urgency: 'fix-first',
  remedyKind: 'none',
  needs: [],
  options: z.object({}),
  messages: { order: '“{title}” {what}' },
  things: ['item with dates in the wrong order', 'items with dates in the wrong order'],
  page: {
    means: 'An item opens after it is due, is due after it closes, or opens after it closes.',
    why: 'Students cannot hand in what is due, and each of them writes to you.',
    example: 'The due date was moved to the new term, and the closing date was not.',
    remedy: 'Yours to choose: which of the dates is the right one only you know.',
    notWhen: 'Two of the dates are the same moment.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => [i.opens, i.due, i.closes].filter((d) => d !== null).length > 1)
      ? null
      : 'nothing has two dates',
  *find({ shell }) {
    for (const item of shell.items) {
      const wrong = wrongOrder(item);
      if (!wrong) continue;
      const said = (['opens', 'due', 'closes'] as const).flatMap((which) =>
        item[which]
          ? [
              {
                label: dateLabels[which],
                value: `${spellDate(dateOf(item[which]))}, ${timeOf(item[which])}`,
                where: item.ref,
              },
            ]
          : [],
      );
      yield {
        message: { id: 'order', params: { title: item.title, what: wrong } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: said,
        remedy: null,
      };
    }
  },
});

function wrongOrder({ opens, due, closes }: Pick<Item, 'opens' | 'due' | 'closes'>): string | null {
  if (opens && closes && opens > closes) return 'opens after it closes';
  if (opens && due && opens > due) return 'opens after it is due';
  return due && closes && due > closes ? 'is due after it closes' : null;
}
