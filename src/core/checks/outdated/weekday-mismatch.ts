import { elementAt } from '@/core/sure';
import { z } from 'zod';
import { english } from '@/core/text/english';
import type { NamedDate } from '@/core/text/named-dates';
import { sentenceAround } from '@/core/text/sentence';
import { isoWeekday, parseLocalDate, spellWeekday, type LocalDate } from '@/core/dates/local-date';
import type { Term } from '@/core/shell/model';
import { defineCheck } from '@/core/checks/check/check';
import { standsQuoted } from '@/core/checks/facts/passages';
import { bySubject, sentenceEvidence } from './mentions';

export const weekdayMismatch = defineCheck({
  id: 'outdated.weekday-mismatch',
  title: 'Weekday and date disagree',
  urgency: 'look-at',
  remedyKind: 'none',
  needs: ['namedDates'],
  options: z.object({}),
  messages: {
    date: '“{title}” says “{says}”, which is a {weekday}',
    year: '“{title}” says “{says}”, which is a {weekday} in {year}',
  },
  things: ['item whose weekday and date disagree', 'items whose weekday and date disagree'],
  page: {
    means:
      'A weekday and a date stand together and do not fit in the year that is written, or, where none is, in the year of the term.',
    why: 'It is the surest sign of a date from an earlier term. Half of the students come on the weekday, half on the date.',
    example: '“Tuesday, 14 October” in a shell for 2026, when that is a Wednesday; it was right in 2025.',
    remedy: 'Edit the sentence shown.',
    notWhen: 'No year is written, and another year or a verb of the past stands in the sentence.',
  },
  notApplicable: () => null,
  *find({ shell, facts }) {
    const hits = [];
    for (const { passage, says } of facts.namedDates) {
      if (says.weekday === null || standsQuoted(passage, says.start, says.end)) continue;
      const sentence = sentenceAround(passage.text, says.start, says.end);
      const rest = `${sentence.text.slice(0, says.start - sentence.start)} ${sentence.text.slice(says.end - sentence.start)}`;
      if (
        elementAt(says.readings, 0).year === null &&
        (/\b(?:1[5-9]|20)\d{2}\b/.test(rest) || english.pastTense.test(rest))
      )
        continue;
      const wrong = disagrees(says, shell.term);
      if (wrong)
        hits.push({ passage, start: says.start, end: says.end, says: { ...wrong, words: says.says } });
    }
    for (const { subject, title, hits: found } of bySubject(hits)) {
      const first = elementAt(found, 0).says;
      yield {
        message: first.written
          ? { id: 'date', params: { title, says: first.words, weekday: first.is } }
          : { id: 'year', params: { title, says: first.words, weekday: first.is, year: first.year } },
        subjects: [subject],
        evidence: found.slice(0, 6).flatMap((h) => [
          sentenceEvidence(h),
          {
            label: 'It would be right in',
            value: h.says.rightIn.length ? h.says.rightIn.join(', ') : 'no year near',
          },
        ]),
        remedy: null,
      };
    }
  },
});

/** The weekday that a date really is, where every way to read it disagrees with the weekday written; null otherwise. */
function disagrees(
  date: NamedDate,
  term: Term,
): { is: string; year: number; written: boolean; rightIn: number[] } | null {
  let wrong: { is: string; year: number; written: boolean; rightIn: number[] } | null = null;
  for (const { year, month, day } of date.readings) {
    const on = (y: number) =>
      parseLocalDate(`${y}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`);
    const weekdayIn = (y: number) => {
      const at = on(y);
      return at && isoWeekday(at);
    };
    const years = year !== null ? [year] : yearsOf(term, on);
    if (!years.length) return null;
    for (const y of years) {
      const at = on(y);
      if (!at) continue;
      if (isoWeekday(at) === date.weekday) return null;
      const near = Array.from({ length: 15 }, (_, k) => y - 12 + k).filter(
        (n) => weekdayIn(n) === date.weekday,
      );
      wrong ??= { is: spellWeekday(at), year: y, written: year !== null, rightIn: near.slice(-4) };
    }
  }
  return wrong;
}

/** The years of the term in which a day lies in it; else the year in which the term begins. */
function yearsOf(term: Term, on: (year: number) => LocalDate | null): number[] {
  const years = [
    ...new Set([term.start, term.end].filter((d) => d !== null).map((d) => Number(d.slice(0, 4)))),
  ];
  const inside = years.filter((y) => {
    const at = on(y);
    return at !== null && term.start !== null && term.end !== null && at >= term.start && at <= term.end;
  });
  return inside.length ? inside : years.slice(0, 1);
}
