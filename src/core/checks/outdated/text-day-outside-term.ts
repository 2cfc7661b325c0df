import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { english } from '@/core/text/english';
import type { DayReading } from '@/core/text/named-dates';
import { sentenceAround } from '@/core/text/sentence';
import type { Term } from '@/core/shell/model';
import {
  addDays,
  atTime,
  dateOf,
  parseLocalDate,
  spellDate,
  spellWeekday,
  type LocalDate,
} from '@/core/dates/local-date';
import { sameWeekAndWeekday } from '@/core/time/re-date';
import { weekOfTerm } from '@/core/time/term';
import { defineCheck, missing } from '@/core/checks/check/check';
import { standsQuoted } from '@/core/checks/facts/passages';
import { isAskedFor } from './asked-for';
import { bySubject, sentenceEvidence } from './mentions';

export const textDayOutsideTerm = defineCheck({
  id: 'outdated.text-day-outside-term',
  title: 'A day in the text fits no day of the term',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['namedDates'],
  options: z.object({
    days: z.int().min(0).default(14).describe('How many days before or after the term still belong to it'),
  }),
  messages: { day: '“{title}” says “{says}”, and no such day lies in the term' },
  things: ['item that names a day outside the term', 'items that name a day outside the term'],
  page: {
    means:
      'A day and month without a year stand in the title of an activity or announcement, or with words such as due or exam, and no day within 14 days of the term fits them.',
    why: 'Typed days are never shifted by a copy. Students take them for this term’s.',
    example: '“Due April 12” in a shell for the autumn.',
    remedy:
      'Edit the sentence shown; the evidence says which day of this term has the same week and weekday.',
    notWhen:
      'A year stands with it, it tells of history, stands in a citation, or names a day of every year such as a holiday.',
  },
  notApplicable: (shell) =>
    shell.term.start && shell.term.end ? null : missing('the term’s dates are not known'),
  *find({ shell, facts, options }) {
    const hits = [];
    for (const { passage, says } of facts.namedDates) {
      const reading = elementAt(says.readings, 0);
      if (reading.year !== null || fits(reading, shell.term, options.days)) continue;
      const kind = passage.item?.kind;
      const inTitle =
        passage.where === 'title' &&
        (kind === 'assignment' || kind === 'quiz' || kind === 'discussion' || kind === 'announcement');
      if (!inTitle && !isAskedFor(passage, says.start, says.end)) continue;
      const sentence = sentenceAround(passage.text, says.start, says.end).text;
      if (
        /\b(?:1[5-9]|20)\d{2}\b/.test(sentence) ||
        english.yearly.test(sentence) ||
        english.history.test(sentence) ||
        standsQuoted(passage, says.start, says.end)
      )
        continue;
      if (
        !inTitle &&
        english.pastTense.test(sentence) &&
        !/\b(?:due|submit|deadline|hand\s+in|turn\s+in)\b/i.test(sentence)
      )
        continue;
      hits.push({
        passage,
        start: says.start,
        end: says.end,
        says: { words: says.says, proposal: proposed(reading, shell.previousTerm, shell.term) },
      });
    }
    for (const { subject, title, hits: found } of bySubject(hits))
      yield {
        message: { id: 'day', params: { title, says: elementAt(found, 0).says.words } },
        subjects: [subject],
        evidence: found.slice(0, 6).flatMap((h) => [
          sentenceEvidence(h),
          ...(h.says.proposal
            ? [
                {
                  label: `Week ${h.says.proposal.week} of the previous term`,
                  value: `in this term it would be ${h.says.proposal.day}`,
                },
              ]
            : []),
        ]),
        remedy: null,
      };
  },
});

const onDay = ({ month, day }: DayReading, year: number): LocalDate | null =>
  parseLocalDate(`${year}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`);

/** Does the day, in some year, lie within so many days of the term? */
function fits(reading: DayReading, { start, end }: Term, days: number): boolean {
  if (start === null || end === null) return false;
  const from = addDays(start, -days);
  const to = addDays(end, days);
  for (let year = Number(from.slice(0, 4)); year <= Number(to.slice(0, 4)); year += 1) {
    const at = onDay(reading, year);
    if (at && at >= from && at <= to) return true;
  }
  return false;
}

/** The day in this term that has the week and weekday which the day had in the previous one. */
function proposed(reading: DayReading, from: Term | null, to: Term): { week: number; day: string } | null {
  if (!from?.start || !from.end) return null;
  for (const year of new Set([Number(from.start.slice(0, 4)), Number(from.end.slice(0, 4))])) {
    const at = onDay(reading, year);
    const week = at ? weekOfTerm(at, from) : null;
    const moved = at && week !== null ? sameWeekAndWeekday(atTime(at, '00:00'), from, to) : null;
    if (week !== null && moved)
      return { week, day: `${spellWeekday(dateOf(moved))}, ${spellDate(dateOf(moved))}` };
  }
  return null;
}
