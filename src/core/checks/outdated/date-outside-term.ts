import { z } from 'zod';
import { dateLabels } from '@/core/checks/check/date-labels';
import { sideOfTerm, weekOfTerm } from '@/core/time/term';
import { dateOf, spellDate, spellWeekday, timeOf, type LocalDateTime } from '@/core/dates/local-date';
import { sameWeekAndWeekday } from '@/core/time/re-date';
import { defineCheck, missing } from '@/core/checks/check/check';
import { reDate } from '@/core/checks/check/remedies';

const names = { opens: 'opens', due: 'due', closes: 'closes' } as const;

export const dateOutsideTerm = defineCheck({
  id: 'outdated.date-outside-term',
  title: 'Dates outside the term',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: [],
  options: z.object({
    days: z.int().min(0).default(14).describe('Days before or after the term that are still let pass'),
  }),
  messages: {
    before: '“{title}” {which} {date}, {days} days before the term begins',
    after: '“{title}” {which} {date}, {days} days after the term ends',
  },
  things: ['item with dates outside the term', 'items with dates outside the term'],
  page: {
    means: 'An item opens, closes or is due more than 14 days before the term begins or after it ends.',
    why: 'A copy carries last year’s dates along. Students meet work that closed a year ago, or that never opens.',
    example: '“Field notebook 2” was due on 14 October 2025; the term begins on 11 January 2027.',
    remedy:
      'Re-date to the same teaching week and weekday, where the previous term’s dates are known. Where they are not, a person chooses the new dates.',
    notWhen: 'The item is an announcement, or the date is 14 days away or less.',
  },
  notApplicable: (shell) => {
    if (!shell.term.start && !shell.term.end) return missing('the term’s dates are not known');
    return shell.items.some((i) => i.opens || i.due || i.closes) ? null : 'no item has a date';
  },
  *find({ shell, options }) {
    for (const item of shell.items) {
      if (item.kind === 'announcement') continue;
      const outside: {
        which: keyof typeof names;
        when: LocalDateTime;
        side: 'before' | 'after';
        days: number;
      }[] = [];
      for (const which of ['opens', 'due', 'closes'] as const) {
        const when = item[which];
        if (!when) continue;
        const stands = sideOfTerm(dateOf(when), shell.term);
        if (stands.side !== 'inside' && stands.days > options.days) outside.push({ which, when, ...stands });
      }
      const first = outside.find((o) => o.which === 'due') ?? outside[0];
      if (!first) continue;
      const dates = newDates();
      yield {
        message: {
          id: first.side,
          params: {
            title: item.title,
            which: names[first.which],
            date: spellDate(dateOf(first.when)),
            days: first.days,
          },
        },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [
          ...outside.map((o) => ({
            label: dateLabels[o.which],
            value: `${spellWeekday(dateOf(o.when))}, ${spellDate(dateOf(o.when))}, ${timeOf(o.when)}: ${o.days} days ${o.side} the term`,
            where: item.ref,
          })),
          ...(dates
            ? outside.map((o) => {
                const day = dateOf((dates[o.which] ?? o.when) as LocalDateTime);
                return {
                  label: 'Would be',
                  value: `${spellWeekday(day)}, ${spellDate(day)} (week ${weekOfTerm(day, shell.term)})`,
                };
              })
            : []),
          ...(item.batch ? [{ label: 'Came with the import', value: item.batch }] : []),
        ],
        remedy: dates ? reDate(item.ref, dates) : null,
      };

      /** All of the item's dates that lie outside move; none is proposed where one of them finds no place in the term. */
      function newDates() {
        const moved: { opens?: string; closes?: string; due?: string } = {};
        for (const o of outside) {
          const to = sameWeekAndWeekday(o.when, shell.previousTerm, shell.term);
          if (!to) return null;
          moved[o.which] = to;
        }
        return moved;
      }
    }
  },
});
