import { addDays, daysBetween, isoWeekday, type LocalDate } from '@/core/dates/local-date';
import { mondayOf } from '@/core/time/term';

/** A term with both days known, and its days without class. */
export interface TermDays {
  readonly start: LocalDate;
  readonly end: LocalDate;
  readonly noClass: ReadonlySet<LocalDate>;
}

/** Where a calendar week stands among the teaching weeks of a term. */
export type WeekPlace =
  | { readonly is: 'teaching'; readonly week: number }
  /** So many calendar weeks behind a teaching week (0 stands for the first one: so many before it). */
  | { readonly is: 'without-class'; readonly after: number; readonly weeks: number };

/**
 * The teaching weeks of a term: calendar weeks, Monday to Sunday, with at least one day from Monday to Friday inside
 * the term that has class. They are numbered from 1; other weeks have no number.
 */
export class TeachingWeeks {
  /** The Mondays of the teaching weeks, in order. */
  readonly mondays: readonly LocalDate[];
  private readonly numbers: ReadonlyMap<LocalDate, number>;

  constructor(readonly term: TermDays) {
    const mondays: LocalDate[] = [];
    for (let monday = mondayOf(term.start); monday <= term.end; monday = addDays(monday, 7))
      if ([0, 1, 2, 3, 4].some((n) => this.hasClass(addDays(monday, n)))) mondays.push(monday);
    this.mondays = mondays;
    this.numbers = new Map(mondays.map((monday, k) => [monday, k + 1]));
  }

  get count(): number {
    return this.mondays.length;
  }

  /** A day that has class: Monday to Friday, inside the term, and no no-class day. */
  hasClass(day: LocalDate): boolean {
    const { start, end, noClass } = this.term;
    return day >= start && day <= end && isoWeekday(day) <= 5 && !noClass.has(day);
  }

  /** The number of the teaching week that a day’s calendar week is; null where it is none. */
  weekOf(day: LocalDate): number | null {
    return this.numbers.get(mondayOf(day)) ?? null;
  }

  placeOf(day: LocalDate): WeekPlace {
    const monday = mondayOf(day);
    const week = this.numbers.get(monday);
    if (week !== undefined) return { is: 'teaching', week };
    const after = this.mondays.findLastIndex((other) => other < monday) + 1;
    const neighbour = this.mondays[Math.max(0, after - 1)] ?? monday;
    return { is: 'without-class', after, weeks: Math.abs(daysBetween(neighbour, monday)) / 7 };
  }

  /** The Monday of teaching week n. Where the term has fewer, as many weeks behind the last as n exceeds it. */
  mondayOfWeek(week: number): LocalDate {
    const monday = this.mondays[Math.min(week, this.count) - 1] ?? mondayOf(this.term.start);
    return addDays(monday, 7 * Math.max(0, week - this.count));
  }

  /** The Monday of a week that stands as that one does. */
  mondayAt(place: WeekPlace): LocalDate {
    if (place.is === 'teaching') return this.mondayOfWeek(place.week);
    if (place.after === 0) return addDays(this.mondayOfWeek(1), -7 * place.weeks);
    return addDays(this.mondayOfWeek(place.after), 7 * place.weeks);
  }

  /** Is the week of this day one without class, with teaching weeks before and behind it? */
  isBreak(day: LocalDate): boolean {
    const monday = mondayOf(day);
    const [first, last] = [this.mondays[0], this.mondays.at(-1)];
    if (first === undefined || last === undefined || this.numbers.has(monday)) return false;
    return monday > first && monday < last;
  }

  /** Does a day lie beyond the last teaching week? */
  isBeyond(day: LocalDate): boolean {
    const last = this.mondays.at(-1);
    return last !== undefined && day > addDays(last, 6);
  }
}
