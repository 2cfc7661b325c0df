import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { english } from '@/core/text/english';
import { sentenceAround } from '@/core/text/sentence';
import { parseLocalDate, spellDate, spellWeekday, type LocalDate } from '@/core/dates/local-date';
import { sideOfTerm } from '@/core/time/term';
import { defineCheck, missing } from '@/core/checks/check/check';
import { standsQuoted } from '@/core/checks/facts/passages';
import { isAskedFor } from './asked-for';
import { bySubject, sentenceEvidence } from './mentions';

export const textDateOutsideTerm = defineCheck({
  id: 'outdated.text-date-outside-term',
  title: 'A deadline in the text lies outside the term',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['namedDates'],
  options: z.object({
    days: z.int().min(0).default(14).describe('How many days before or after the term still belong to it'),
  }),
  messages: { date: '“{title}” says “{says}”: {days} days {side} the term' },
  things: [
    'item with a deadline outside the term in its text',
    'items with a deadline outside the term in their text',
  ],
  page: {
    means:
      'A full date in a text stands with words such as due, submit, exam or deadline, and lies more than 14 days outside the term.',
    why: 'No tool shifts dates that are typed into a page. Students trust the page.',
    example: '“Hand in the report by 14 October 2025” in a shell for Spring 2027.',
    remedy: 'Edit the sentence shown.',
    notWhen: 'It tells of history, or stands in a citation.',
  },
  notApplicable: (shell) =>
    shell.term.start || shell.term.end ? null : missing('the term’s dates are not known'),
  *find({ shell, facts, options }) {
    const hits = [];
    for (const { passage, says } of facts.namedDates) {
      const days = says.readings
        .map(({ year, month, day }) =>
          year === null
            ? null
            : parseLocalDate(`${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`),
        )
        .filter((d): d is LocalDate => d !== null);
      if (!days.length) continue;
      const sides = days.map((d) => ({ day: d, ...sideOfTerm(d, shell.term) }));
      // A date in figures that can be read as one of this term is taken as that.
      if (sides.some((s) => s.side === 'inside' || s.days <= options.days)) continue;
      if (!isAskedFor(passage, says.start, says.end) || standsQuoted(passage, says.start, says.end)) continue;
      if (english.history.test(sentenceAround(passage.text, says.start, says.end).text)) continue;
      hits.push({
        passage,
        start: says.start,
        end: says.end,
        says: { words: says.says, ...elementAt(sides, 0) },
      });
    }
    for (const { subject, title, hits: found } of bySubject(hits)) {
      const first = elementAt(found, 0).says;
      yield {
        message: {
          id: 'date',
          params: {
            title,
            says: first.words,
            days: first.side === 'inside' ? 0 : first.days,
            side: first.side,
          },
        },
        subjects: [subject],
        evidence: found
          .slice(0, 6)
          .flatMap((h) => [
            sentenceEvidence(h),
            { label: 'That is', value: `${spellWeekday(h.says.day)}, ${spellDate(h.says.day)}` },
          ]),
        remedy: null,
      };
    }
  },
});
