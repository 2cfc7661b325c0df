import { z } from 'zod';
import { addDays, dateOf, daysBetween, spellDate, type LocalDate } from '@/core/dates/local-date';
import { defineCheck, missing } from '@/core/checks/check/check';

export const untouched = defineCheck({
  id: 'outdated.untouched',
  title: 'Untouched for years',
  urgency: 'tidy',
  remedyKind: 'none',
  needs: ['outline'],
  options: z.object({
    years: z.number().min(0.5).default(3).describe('Last changed more than so many years ago'),
  }),
  messages: { item: '“{title}” was last changed {years} years ago' },
  things: ['item untouched for years', 'items untouched for years'],
  question: 'Do these {count} still hold, years after their last change?',
  page: {
    means:
      'An item that students see was last changed more than three years before the day as of which the shell is looked at.',
    why: 'It may still be right. It may name an office that moved twice since.',
    example: '“How to log in to the sensor server”, last changed in March 2022.',
    remedy: 'None is proposed: look whether it still holds.',
    notWhen: 'It is hidden, or nobody told when it was changed.',
  },
  notApplicable: (shell) =>
    shell.items.some((i) => i.modified)
      ? null
      : missing('nobody told when items were changed: give a status sheet'),
  *find({ shell, facts, options }) {
    const limit: LocalDate = Number.isInteger(options.years)
      ? yearsBefore(shell.asOf, options.years)
      : addDays(shell.asOf, -Math.round(options.years * 365.25));
    for (const item of shell.items) {
      if (!item.modified || !item.placed || dateOf(item.modified) >= limit || !facts.outline.isShown(item))
        continue;
      const days = daysBetween(dateOf(item.modified), shell.asOf);
      yield {
        message: { id: 'item', params: { title: item.title, years: Math.floor(days / 365.25) } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [{ label: 'Last changed', value: spellDate(dateOf(item.modified)), where: item.ref }],
        remedy: null,
      };
    }
  },
});

const yearsBefore = (day: LocalDate, years: number): LocalDate =>
  `${Number(day.slice(0, 4)) - years}${day.slice(4)}` as LocalDate;
