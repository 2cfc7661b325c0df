import { z } from 'zod';
import { firstReason } from '@/core/checks/check/first-reason';
import { dateOf, spellDate, timeOf, type LocalDateTime } from '@/core/dates/local-date';
import { sameWeekAndWeekday } from '@/core/time/re-date';
import type { Item, Term } from '@/core/shell/model';
import { defineCheck, missing } from '@/core/checks/check/check';
import { reDate } from '@/core/checks/check/remedies';

export const neverOpen = defineCheck({
  id: 'visibility.never-open',
  title: 'Never open in this term',
  urgency: 'fix-first',
  remedyKind: 'judgement',
  needs: ['outline'],
  options: z.object({}),
  messages: {
    late: '“{title}” opens on {date}, after the term',
    early: '“{title}” closed on {date}, before the term',
    never: '“{title}” closes before it opens',
  },
  things: ['item that never opens', 'items that never open'],
  page: {
    means:
      'An item is shown, and its dates never let a student in during the term: it opens after it, closed before it, or closes before it opens.',
    why: 'It looks ready in your list. For students it does not exist.',
    example: 'The check of Week 5 closed on 28 September 2025.',
    remedy: 'Moves the dates to the same week and weekday of this term, where the previous term is known.',
    notWhen: 'It is hidden, or has no such dates.',
  },
  notApplicable: (shell) =>
    firstReason(
      [!shell.items.some((i) => i.opens ?? i.closes), 'nothing opens or closes by a date'],
      [!(shell.term.start || shell.term.end), missing('the term’s dates are not known')],
    ),
  *find({ shell, facts }) {
    for (const item of shell.items) {
      if (!facts.outline.isShown(item)) continue;
      const kind = neverIn(item, shell.term);
      if (!kind) continue;
      const dates = moved(item, shell.previousTerm, shell.term);
      const decisive = kind === 'late' ? item.opens : item.closes;
      if (decisive === null) continue;
      yield {
        message: { id: kind, params: { title: item.title, date: spellDate(dateOf(decisive)) } },
        subjects: [{ type: 'item', ref: item.ref }],
        evidence: [
          ...(item.opens
            ? [
                {
                  label: 'Opens',
                  value: `${spellDate(dateOf(item.opens))}, ${timeOf(item.opens)}`,
                  where: item.ref,
                },
              ]
            : []),
          ...(item.closes
            ? [
                {
                  label: 'Closes',
                  value: `${spellDate(dateOf(item.closes))}, ${timeOf(item.closes)}`,
                  where: item.ref,
                },
              ]
            : []),
          {
            label: 'Term',
            value: `${shell.term.start ? spellDate(shell.term.start) : 'unknown'} to ${shell.term.end ? spellDate(shell.term.end) : 'unknown'}`,
          },
        ],
        remedy: dates ? reDate(item.ref, dates) : null,
      };
    }
  },
});

/** Why a student never gets in, or null. */
export function neverIn(item: Item, term: Term): 'late' | 'early' | 'never' | null {
  if (item.opens && term.end && dateOf(item.opens) > term.end) return 'late';
  if (item.closes && term.start && dateOf(item.closes) < term.start) return 'early';
  return item.opens && item.closes && item.closes <= item.opens ? 'never' : null;
}

/** The dates outside the term in its same week and weekday; null where one of them finds no place, or the item would still never open. */
function moved(item: Item, from: Term | null, to: Term) {
  const dates: { opens?: LocalDateTime; closes?: LocalDateTime } = {};
  for (const which of ['opens', 'closes'] as const) {
    const when = item[which];
    if (!when || !((to.start && dateOf(when) < to.start) || (to.end && dateOf(when) > to.end))) continue;
    const next = sameWeekAndWeekday(when, from, to);
    if (!next) return null;
    dates[which] = next;
  }
  return neverIn({ ...item, ...dates }, to) === null ? dates : null;
}
