import { TeachingWeeks } from '@/core/redate/teaching-weeks';
import type { Item, Shell } from '@/core/shell/model';
import { addDays, dateOf, type LocalDate, type LocalDateTime } from '@/core/dates/local-date';
import { mondayOf } from '@/core/time/term';

/** What a student meets in one calendar week of the term. */
export interface StripWeek {
  readonly monday: LocalDate;
  /** The teaching week’s number; null for a week without class. */
  readonly week: number | null;
  readonly opens: number;
  readonly due: number;
  readonly closes: number;
}

/** The calendar weeks of the term with how much opens, is due and closes for students; empty without a term. */
export function termStrip(shell: Shell, seen: readonly Item[]): readonly StripWeek[] {
  const { start, end } = shell.term;
  if (start === null || end === null || end < start) return [];
  const weeks = new TeachingWeeks({ start, end, noClass: new Set(shell.noClassDays) });
  const strip: StripWeek[] = [];
  for (let monday = mondayOf(start); monday <= end; monday = addDays(monday, 7)) {
    const isHere = (when: LocalDateTime | null) => when !== null && mondayOf(dateOf(when)) === monday;
    strip.push({
      monday,
      week: weeks.weekOf(monday),
      opens: seen.filter((item) => isHere(item.opens)).length,
      due: seen.filter((item) => isHere(item.due)).length,
      closes: seen.filter((item) => isHere(item.closes)).length,
    });
  }
  return strip;
}
